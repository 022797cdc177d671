/** Taking files that are dropped, pasted or chosen: pictures to the picture area, texts to the reading line, one after
 * another. */

import { useCallback, useState } from "react";
import { isPicture } from "../../../util/isPicture";
import { look } from "../../../workspace/look";
import { useUpload } from "../../shared/useUpload";

const MOST_TEXT = 5_000_000;
/** Ends of files that are no texts, whatever the browser takes them for. */
const NO_TEXT = /\.(zip|gz|pdf|exe|dmg|mp[34]|mov|avi|docx?|xlsx?|pptx?|woff2?|ttf|otf|psd|tiff?|heic)$/i;

export function useTaking() {
  const upload = useUpload((picture) => look({ area: "picture", picture: picture.id }));
  const [files, setFiles] = useState<readonly File[]>([]);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const { send } = upload;
  const take = useCallback(
    (brought: Iterable<File>) => {
      const every = Array.from(brought);
      const pictures = every.filter((file) => isPicture(file));
      const refused = every.flatMap((file) => refusal(file) ?? []);
      const texts = every.filter((file) => !isPicture(file) && refusal(file) === null);
      setProblems(refused);
      if (pictures.length > 0) send(...pictures);
      // What is read now is what was brought last; what waited goes on waiting behind it.
      if (texts.length > 0) setFiles((before) => [...texts, ...before]);
    },
    [send],
  );
  const close = useCallback(() => {
    setFiles((before) => before.slice(1));
    setProblems([]);
  }, []);
  const [file = null, ...others] = files;
  return { take, file, others, close, upload, problem: problems.length > 0 ? problems.join(" ") : null };
}

/** Why a file is not even looked into; null where it is. */
function refusal(file: File): string | null {
  if (isPicture(file)) return null;
  if (file.size === 0) return `“${file.name}” is empty, or a folder: give the files in it.`;
  if (NO_TEXT.test(file.name)) return `“${file.name}” is neither a text nor a picture that Heimat reads.`;
  if (file.size > MOST_TEXT) {
    const size = (file.size / 1e6).toFixed(0);
    return `“${file.name}” has ${size} MB; a stylesheet or list has at most 5 MB. Give a part of it.`;
  }
  return null;
}
