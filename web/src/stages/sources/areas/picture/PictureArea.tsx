/** Picture: its main colors found, each lighting its region; taken again with a crosshair; areas left out or fitted. */

import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { client, data, type PictureView } from "../../../../api/client";
import { Choice } from "../../../../components/Choice";
import { ToolButton } from "../../../../components/ToolButton";
import { look, useLook } from "../../../../workspace/look";
import { useRemoval } from "../../../../workspace/useRemoval";
import { Area } from "../../../shared/Area";
import { UploadProgress } from "../../../shared/UploadProgress";
import { useUpload } from "../../../shared/useUpload";
import { PictureDesk } from "./PictureDesk";

export function PictureArea() {
  const slug = useLook((at) => at.slug);
  const chosen = useLook((at) => at.picture);
  const queries = useQueryClient();
  const picker = useRef<HTMLInputElement>(null);
  const upload = useUpload((picture) => look({ picture: picture.id }));
  const query = useQuery({
    queryKey: ["pictures", slug],
    queryFn: () => data(client.GET("/api/systems/{slug}/pictures", { params: { path: { slug } } })),
  });
  const removal = useRemoval();
  const pictures = (query.data ?? []).filter((each) => !removal.gone.has(each.id));
  const picture = pictures.find((each) => each.id === chosen) ?? pictures[0] ?? null;
  const remove = (gone: PictureView) => {
    look({ picture: null });
    removal.remove(gone.id, gone.name, async () => {
      const path = { slug, picture: gone.id };
      await data(
        client.DELETE("/api/systems/{slug}/pictures/{picture}", { params: { path }, keepalive: true }),
      );
      void queries.invalidateQueries({ queryKey: ["pictures", slug] });
    });
  };
  const open = (
    <>
      <ToolButton onClick={() => picker.current?.click()}>Open a picture</ToolButton>
      <input
        ref={picker}
        type="file"
        hidden
        data-testid="picture-file"
        aria-label="A picture"
        accept="image/png,image/jpeg,image/webp,image/gif,image/avif"
        onChange={(event) => {
          const [file] = Array.from(event.target.files ?? []);
          if (file) upload.send(file);
          event.target.value = "";
        }}
      />
    </>
  );
  const progress = (
    <>
      <UploadProgress upload={upload} />
      {upload.problem && (
        <Text fontWeight="700" marginBottom="6px" role="alert">
          {upload.problem}
        </Text>
      )}
    </>
  );
  if (!picture)
    return (
      <Area title="From a picture" tools={open}>
        {progress}
        <Box border="1px dashed" borderColor="border.emphasized" padding="28px" textAlign="center">
          <Text>
            {query.data
              ? "No picture yet. Drop one on the sheet, paste it into the reading line, or open a file: PNG, JPEG, WebP, GIF or AVIF, up to 20 MB. It never leaves this server."
              : "Looking for pictures"}
          </Text>
        </Box>
      </Area>
    );
  return (
    <PictureDesk
      key={picture.id}
      picture={picture}
      tools={
        <>
          <Choice
            label="Picture"
            value={`${picture.id}`}
            items={pictures.map((each) => ({ value: `${each.id}`, words: each.name }))}
            onChoose={(id) => look({ picture: Number(id) })}
          />
          {open}
          <ToolButton onClick={() => remove(picture)} aria-label={`Remove ${picture.name}`}>
            Remove
          </ToolButton>
        </>
      }
      progress={<Flex direction="column">{progress}</Flex>}
    />
  );
}
