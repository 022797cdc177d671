/** What stands in a token of a purpose where it is shown at work, whatever it is called. */
const SAMPLES: Record<string, string> = {
  "text.strong": "Skarvik to Tarnsey",
  "text.plain": "Four sailings on Tuesday",
  "text.faint": "Places are held for ten minutes",
  "text.disabled": "Not on Sundays",
  "text.late": "12 min late",
  "text.on-brand": "Skarvik to Tarnsey",
  "text.on-board": "07:40 Alke on time",
  "text.on-board-faint": "Quay 2, from 07:10",
  "link.text": "Fares and discounts",
  "link.text-hovered": "Fares, under the pointer",
  "link.text-visited": "Fares, seen before",
};
const MESSAGES: Record<string, string> = {
  success: "On time",
  warning: "12 min late",
  error: "Cancelled",
  information: "Gate B from 14:00",
};

export const sampleOf = (purpose: string | null) => SAMPLES[purpose ?? ""] ?? "Four sailings on Tuesday";
export const messageOf = (status: string) => MESSAGES[status] ?? status;
