/** The files of a release that is out: where each is fetched. */
import { Box, Link, Text } from "@chakra-ui/react";
import type { ReleaseView } from "../../api/client";

export function ReleaseFiles({ release }: { release: ReleaseView | undefined }) {
  if (!release) return null;
  return (
    <Box as="section" aria-label="Files of this release" minWidth="0" fontSize="12px">
      {release.notes && (
        <Text whiteSpace="pre-wrap" marginBottom="8px">
          {release.notes}
        </Text>
      )}
      <Text fontWeight="700">Files of {release.version}</Text>
      <Box as="ul" listStyleType="none">
        {release.files.map((address) => (
          <li key={address}>
            <Link
              href={address}
              textDecoration="underline"
              color="fg"
              fontFamily="mono"
              display="inline-flex"
              minHeight="24px"
              alignItems="center"
            >
              {address}
            </Link>
          </li>
        ))}
      </Box>
    </Box>
  );
}
