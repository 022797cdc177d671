/** Ids of things that the page makes, so that it knows them before the server answers. */
export const newId = () =>
  `n${Array.from(crypto.getRandomValues(new Uint32Array(2)), (part) => part.toString(36)).join("")}`;
