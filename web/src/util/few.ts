/** The first of some names, and how many more there are. */
export function few(names: readonly string[], most: number): string {
  const more = names.length - most;
  return names.slice(0, most).join(", ") + (more > 0 ? ` and ${more} more` : "");
}
