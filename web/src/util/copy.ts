/** Copying text, also where the page has no secure address. */
export async function copyText(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text);
    return true;
  } catch {
    const field = document.createElement("textarea");
    field.value = text;
    field.style.position = "fixed";
    field.style.opacity = "0";
    document.body.append(field);
    field.select();
    const done = document.execCommand("copy");
    field.remove();
    return done;
  }
}

/** Copying an SVG, as a picture for who takes one and as text for who reads that. */
export async function copyShapes(svg: string): Promise<boolean> {
  const of = (type: string) => new Blob([svg], { type });
  try {
    const kinds = ["text/plain", "image/svg+xml"].filter((type) => ClipboardItem.supports?.(type) ?? false);
    await navigator.clipboard.write([
      new ClipboardItem(Object.fromEntries(kinds.map((type) => [type, of(type)]))),
    ]);
    return true;
  } catch {
    return copyText(svg);
  }
}
