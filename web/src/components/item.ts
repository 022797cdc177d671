/** Something that can be chosen: what it stands for, and how it is called. */
export interface Item<Value extends string = string> {
  value: Value;
  words: string;
}
