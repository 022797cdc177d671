/** Dropping and pasting anywhere: what is brought is taken to where it is read, and the browser never leaves for it. */
import { useEffect } from "react";
import { isOwnDrag, watchDrags } from "../util/dragging";
import { useInbox } from "../workspace/inbox";
import { isTyping } from "./keys/binding";

/** Whether what is dragged is from outside: what this page drags itself is not, a category or marked text either. */
const brought = (data: DataTransfer | null) =>
  data !== null &&
  !isOwnDrag() &&
  (data.types.includes("Files") || data.types.includes("text/plain") || data.types.includes("text/uri-list"));

export function useDrops(onBrought: () => void) {
  useEffect(() => {
    const { put } = useInbox.getState();
    const take = (data: DataTransfer, files: boolean) => {
      const text = data.getData("text/plain");
      if (data.files.length === 0 && (files || !text.trim())) return false;
      put(Array.from(data.files), data.files.length > 0 ? "" : text);
      onBrought();
      return true;
    };
    const over = (event: DragEvent) => {
      if (event.defaultPrevented || !brought(event.dataTransfer) || isTyping(event.target)) return;
      event.preventDefault();
      if (event.dataTransfer) event.dataTransfer.dropEffect = "copy";
    };
    const overFiles = (event: DragEvent) => {
      // Also over a field: there the browser would open the file in place of the page.
      if (event.dataTransfer?.types.includes("Files")) event.preventDefault();
    };
    const drop = (event: DragEvent) => {
      const { dataTransfer: data } = event;
      if (!data || event.defaultPrevented) return;
      const files = data.types.includes("Files") && !isOwnDrag();
      if (!files && (!brought(data) || isTyping(event.target))) return;
      event.preventDefault();
      take(data, files);
    };
    const paste = (event: ClipboardEvent) => {
      const { clipboardData: data } = event;
      if (!data || event.defaultPrevented) return;
      const typing = isTyping(event.target);
      if (take(data, typing)) event.preventDefault();
    };
    const unwatch = watchDrags();
    window.addEventListener("dragover", over);
    window.addEventListener("dragover", overFiles, { capture: true });
    window.addEventListener("drop", drop);
    window.addEventListener("paste", paste);
    return () => {
      unwatch();
      window.removeEventListener("dragover", over);
      window.removeEventListener("dragover", overFiles, { capture: true });
      window.removeEventListener("drop", drop);
      window.removeEventListener("paste", paste);
    };
  }, [onBrought]);
}
