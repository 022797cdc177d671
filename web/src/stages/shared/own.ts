/** How a page of the team’s own is called among the screens that the specimen can be. */
export const OWN = "own";
