/** Told where a release is read as it was: that nothing changes here, and the ways back to where it does. */
import { Button, Flex, Link, Text } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import { useLook } from "../workspace/look";
import { releasedAt } from "../workspace/released";
import { useBeginning } from "../workspace/useBeginning";

export function Released() {
  const slug = useLook((at) => at.slug);
  const stage = useLook((at) => at.stage);
  const released = releasedAt(slug);
  const begin = useBeginning(released?.slug ?? "", released?.version ?? "");
  if (!released) return null;
  const { version } = released;
  return (
    <Flex
      align="center"
      gap="12px"
      wrap="wrap"
      fontSize="12px"
      paddingInline="20px"
      minHeight="34px"
      flexShrink={0}
      bg="fg"
      color="bg"
      data-testid="released"
    >
      <Text fontWeight="700">{version} as it was released, to be read: what is tried here is not kept.</Text>
      <Link asChild color="bg" textDecoration="underline" minHeight="24px">
        <RouterLink to={`/systems/${released.slug}/${stage}`}>Back to what is there now</RouterLink>
      </Link>
      <Button
        size="2xs"
        minHeight="24px"
        variant="outline"
        color="bg"
        borderColor="bg"
        _hover={{ bg: "transparent" }}
        disabled={begin.isPending}
        onClick={() => begin.mutate(`from-${version.replaceAll(".", "-")}`)}
      >
        Begin an alternative from it
      </Button>
      {begin.error && (
        <Text role="alert" fontWeight="700">
          {begin.error.message}
        </Text>
      )}
    </Flex>
  );
}
