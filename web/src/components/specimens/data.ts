/** What the specimens of the made-up ferry line show. */
export type State = "success" | "warning" | "error" | "information";

export interface Departure {
  time: string;
  route: string;
  vessel: string;
  quay: string;
  state: State;
  words: string;
  late: number;
  load: number;
}

export const DEPARTURES: Departure[] = [
  {
    time: "07:40",
    route: "Skarvik–Tarnsey",
    vessel: "Alke",
    quay: "1",
    state: "success",
    words: "On time",
    late: 0,
    load: 44,
  },
  {
    time: "08:05",
    route: "Skarvik–Oldhaven",
    vessel: "Petrel",
    quay: "2",
    state: "success",
    words: "Boarding",
    late: -1,
    load: 71,
  },
  {
    time: "09:15",
    route: "Skarvik–Tarnsey",
    vessel: "Dunlin",
    quay: "1",
    state: "warning",
    words: "12 min late",
    late: 12,
    load: 92,
  },
  {
    time: "10:30",
    route: "Skarvik–Merrow",
    vessel: "Tern",
    quay: "3",
    state: "information",
    words: "Quay 3, not 2",
    late: 2,
    load: 58,
  },
  {
    time: "12:05",
    route: "Skarvik–Pellan",
    vessel: "Curlew",
    quay: "2",
    state: "error",
    words: "Cancelled",
    late: 0,
    load: 0,
  },
  {
    time: "13:20",
    route: "Skarvik–Tarnsey",
    vessel: "Alke",
    quay: "1",
    state: "warning",
    words: "25 min late",
    late: 25,
    load: 63,
  },
  {
    time: "14:45",
    route: "Skarvik–Holm Ness",
    vessel: "Petrel",
    quay: "2",
    state: "success",
    words: "On time",
    late: 0,
    load: 37,
  },
];
/** Passengers by route, in hundreds. */
export const PASSENGERS = [88, 68, 56, 44, 36, 24];
/** Load by day and hour, 1 to 7. */
export const LOADS = [
  [1, 2, 5, 7, 6, 4, 3, 2, 1, 1],
  [1, 3, 6, 7, 5, 3, 2, 2, 3, 1],
  [2, 2, 4, 6, 6, 5, 4, 3, 2, 1],
  [1, 1, 2, 4, 5, 6, 7, 5, 3, 2],
];
/** Minutes late by sailing; early is below 0. */
export const DELAYS = [-3, 0, 2, 12, 25, 1, -2];
/** The seats of the upper deck: free, taken, chosen; a gap is the aisle. */
export const SEATS = ["fftf fttf", "ttff ffff", "fcct ffft", "ffff tttt", "tfff fftf", "ffft ffff"];
