/** How far a picture has come on its way, and a way to stop it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { ToolButton } from "../../components/ToolButton";
import type { useUpload } from "./useUpload";

export function UploadProgress({ upload }: { upload: ReturnType<typeof useUpload> }) {
  const { sending } = upload;
  if (!sending) return null;
  const sent = sending.share >= 1;
  const percent = Math.round(sending.share * 100);
  return (
    <Flex gap="10px" align="center" padding="4px 12px 8px" fontSize="12px" data-testid="upload">
      <Box
        role="progressbar"
        aria-label={`Sending ${sending.name}`}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        width="160px"
        height="6px"
        border="1px solid"
        borderColor="fg"
      >
        <Box height="100%" bg="fg" style={{ width: `${percent}%` }} />
      </Box>
      <Text>{sent ? `Reading the pixels of ${sending.name}` : `Sending ${sending.name}, ${percent} %`}</Text>
      <ToolButton onClick={upload.stop}>Stop</ToolButton>
    </Flex>
  );
}
