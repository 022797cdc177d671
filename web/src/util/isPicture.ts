const PICTURE = /^image\/(?!svg)/;

/** Whether a file is a picture of pixels; an SVG is a text. */
export const isPicture = (file: File) => PICTURE.test(file.type);
