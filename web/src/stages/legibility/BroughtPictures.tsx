/** Pictures that are dropped or pasted here: kept with the system, and opened with a point for each of two colors. */
import { Box, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { useInbox } from "../../workspace/inbox";
import { useInterface } from "../../workspace/interface";
import { look, useLook } from "../../workspace/look";
import { UploadProgress } from "../shared/UploadProgress";
import { useUpload } from "../shared/useUpload";

/** Work areas that show a picture themselves: what comes while one is open is shown there. */
const SHOWING = ["text-on-picture", "pictures-seen"];

export function BroughtPictures() {
  const upload = useUpload((picture) => {
    const { area } = useLook.getState();
    if (area && SHOWING.includes(area)) look({ picture: picture.id });
    else {
      useInterface.getState().set({ pointing: true });
      look({ area: "two-colors", picture: picture.id });
    }
  });
  const arrived = useInbox((inbox) => inbox.files.length > 0);
  const { send } = upload;
  useEffect(() => {
    if (arrived) send(...useInbox.getState().take().files);
  }, [arrived, send]);
  if (!upload.sending && !upload.problem) return null;
  return (
    <Box paddingInline="20px" paddingBlock="6px">
      <UploadProgress upload={upload} />
      {upload.problem && (
        <Text role="alert" fontSize="12px" fontWeight="700">
          {upload.problem}
        </Text>
      )}
    </Box>
  );
}
