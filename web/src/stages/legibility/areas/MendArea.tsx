/** Everything that can be mended without breaking anything, told before it is done, as one change. */
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { client, data, type Edit, problemOf } from "../../../api/client";
import { ToolButton } from "../../../components/ToolButton";
import { usePart, useWorkspace } from "../../../workspace/hooks";
import { useLook } from "../../../workspace/look";
import { Area } from "../../shared/Area";
import { MovingOrder } from "./MovingOrder";

export function MendArea() {
  const slug = useLook((at) => at.slug);
  const revision = usePart("head", (head) => head.revision);
  const { put } = useWorkspace();
  const query = useQuery({
    queryKey: ["mending", slug, revision],
    queryFn: ({ signal }) =>
      data(client.GET("/api/systems/{slug}/repair-plan", { params: { path: { slug } }, signal })),
    retry: false,
  });
  const plan = query.data;
  const edits = (plan?.edits ?? []) as Edit[];
  const count = plan?.done.length ?? 0;
  return (
    <Area
      title="Mend all"
      actions={
        count > 0 && (
          <ToolButton onClick={() => void put(...edits)}>
            Mend {count === 1 ? "it" : `all ${count}`}
          </ToolButton>
        )
      }
    >
      <Text fontSize="12px" aria-live="polite" data-testid="mending">
        {query.error
          ? problemOf(query.error).message
          : !plan
            ? "Looking for repairs that break nothing."
            : count === 0
              ? "No repair mends anything without breaking something else. Choose by hand, or accept with a reason."
              : `These break nothing, one after the other; ${plan.left} would be left to settle by hand.`}
      </Text>
      {plan?.moved && <Text fontSize="12px">{plan.moved}</Text>}
      <Box as="ul" fontSize="12px" marginTop="6px">
        {plan?.done.map((words) => (
          <Text as="li" key={words} paddingBlock="2px">
            {words}
          </Text>
        ))}
      </Box>
      {plan && plan.order.length > 0 && <MovingOrder order={plan.order} />}
    </Area>
  );
}
