/** The specimens by id, with what they are called. */
import type { ComponentType } from "react";
import { OperationsBoard } from "./OperationsBoard";
import { Parts } from "./Parts";
import { QuayDisplay } from "./QuayDisplay";
import { TicketPage } from "./TicketPage";

export const SPECIMENS: { id: string; words: string; component: ComponentType }[] = [
  { id: "ticket", words: "ticket page", component: TicketPage },
  { id: "board", words: "operations board", component: OperationsBoard },
  { id: "quay", words: "quay display", component: QuayDisplay },
  { id: "parts", words: "all parts", component: Parts },
];
export { type PickedPart, Specimen } from "./Specimen";
