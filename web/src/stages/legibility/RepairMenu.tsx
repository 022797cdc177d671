/** Further ways to settle a finding, in a menu: loaded when it is first opened. */
import { Menu, Text } from "@chakra-ui/react";
import type { RepairView } from "../../api/client";
import { MenuPanel } from "../../components/MenuPanel";
import type { Opened } from "../../components/Opener";
import { Swatch } from "../../components/Swatch";

interface Props extends Opened {
  repairs: RepairView[];
  onChoose: (repair: RepairView) => void;
}

export function RepairMenu({ repairs, onChoose, ...opened }: Props) {
  return (
    <MenuPanel {...opened} placement="bottom-end" minWidth="260px">
      {repairs.map((repair) => (
        <Menu.Item
          key={repair.words}
          value={repair.words}
          minHeight="28px"
          fontSize="13px"
          onClick={() => onChoose(repair)}
        >
          <Swatch seen={repair.seen} />
          {repair.words}
          <Text as="span" color="fg.muted">
            {repair.consequence}
          </Text>
        </Menu.Item>
      ))}
    </MenuPanel>
  );
}
