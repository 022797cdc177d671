/** Sending a picture: how much of it is sent, what the server does with it, and a way to stop. */

import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import type { PictureView } from "../../api/client";
import { useLook } from "../../workspace/look";

const MOST_BYTES = 20_000_000;

/** `share` runs to 1 while bytes are sent; then the server reads them. */
export interface Sending {
  name: string;
  share: number;
}

export function useUpload(onDone: (picture: PictureView) => void) {
  const slug = useLook((at) => at.slug);
  const queries = useQueryClient();
  const [sending, setSending] = useState<Sending | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const request = useRef<XMLHttpRequest | null>(null);
  const done = useRef(onDone);
  done.current = onDone;

  const waiting = useRef<File[]>([]);
  const sendOne = useCallback(
    (file: File) => {
      const next = () => {
        const following = waiting.current.shift();
        if (following) newest.current(following);
      };
      if (file.size > MOST_BYTES) {
        setProblem(`“${file.name}” has ${(file.size / 1e6).toFixed(0)} MB; a picture has at most 20 MB.`);
        next();
        return;
      }
      // Of all ways to send, only this one tells how much has been sent.
      const sent = new XMLHttpRequest();
      request.current = sent;
      setSending({ name: file.name, share: 0 });
      sent.upload.onprogress = (event) => {
        if (event.lengthComputable) setSending({ name: file.name, share: event.loaded / event.total });
      };
      sent.onload = () => {
        setSending(null);
        const answer = JSON.parse(sent.responseText || "{}");
        if (sent.status === 201) {
          void queries.invalidateQueries({ queryKey: ["pictures", slug] });
          done.current(answer as PictureView);
        } else setProblem(answer.detail ?? `The server cannot take “${file.name}”.`);
        next();
      };
      sent.onerror = () => {
        setSending(null);
        setProblem(`“${file.name}” could not be sent: the server does not answer. Try again.`);
      };
      sent.onabort = () => setSending(null);
      const name = encodeURIComponent(file.name.slice(0, 120));
      sent.open("POST", `/api/systems/${encodeURIComponent(slug)}/pictures?name=${name}`);
      sent.setRequestHeader("Content-Type", "application/octet-stream");
      sent.send(file);
    },
    [queries, slug],
  );
  const newest = useRef(sendOne);
  newest.current = sendOne;
  /** Send pictures, one after another; what is still on its way is stopped. */
  const send = useCallback((...files: File[]) => {
    setProblem(null);
    request.current?.abort();
    waiting.current = files.slice(1);
    if (files[0]) newest.current(files[0]);
  }, []);
  const stop = useCallback(() => {
    waiting.current = [];
    request.current?.abort();
  }, []);
  return { send, stop, sending, problem };
}
