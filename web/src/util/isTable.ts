/** Whether a file is a table of data, by what it is called and said to be. */
export const isTable = (file: File) => /\.(csv|tsv)$/i.test(file.name) || file.type === "text/csv";
