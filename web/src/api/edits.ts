/** Edits, typed by the API's own description: every field is checked where an edit is written. */
import type { Edit } from "./client";

export type EditType = Edit["type"];
type EditOf<Type extends EditType> = Extract<Edit, { type: Type }>;

/** An edit of a type with its fields. */
export function edit<Type extends EditType>(type: Type, fields: Omit<EditOf<Type>, "type">): Edit {
  // The fields are those of this very type; that both together are an edit, the union cannot be told otherwise.
  return { type, ...fields } as unknown as Edit;
}
