/** Taking files that are dropped, pasted or chosen: pictures to the picture area, texts to the reading line. */

import { useCallback, useState } from "react";
import { look } from "../../../workspace/look";
import { useUpload } from "../areas/picture/useUpload";

const MOST_TEXT = 5_000_000;
const PICTURE = /^image\/(?!svg)/;

export function useTaking() {
  const upload = useUpload((picture) => look({ area: "picture", picture: picture.id }));
  const [file, setFile] = useState<File | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { send } = upload;
  const take = useCallback(
    (files: FileList | File[]) => {
      setProblem(null);
      const [first] = Array.from(files);
      if (!first) return;
      if (PICTURE.test(first.type)) {
        send(first);
        return;
      }
      if (first.size > MOST_TEXT) {
        setProblem(
          `“${first.name}” has ${(first.size / 1e6).toFixed(0)} MB; a stylesheet or list has at most 5 MB. Give a part of it.`,
        );
        return;
      }
      setFile(first);
    },
    [send],
  );
  const close = useCallback(() => {
    setFile(null);
    setProblem(null);
  }, []);
  return { take, file, close, upload, problem };
}
