/** Handing a text or a picture over as a file. */
export function download(name: string, content: string | Blob, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement("a");
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** An SVG as pixels, twice as many as CSS pixels; null where the browser does not draw it. */
export async function pngOf(svg: string): Promise<Blob | null> {
  const address = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = image.naturalWidth * 2;
    canvas.height = image.naturalHeight * 2;
    canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((made) => canvas.toBlob(made, "image/png"));
  } catch {
    return null;
  } finally {
    URL.revokeObjectURL(address);
  }
}
