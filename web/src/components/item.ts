/** Something that can be chosen: what it stands for, and how it is called. */
export interface Item {
  value: string;
  words: string;
}
