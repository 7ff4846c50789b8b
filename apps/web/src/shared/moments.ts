const DAY = { weekday: "short", day: "numeric", month: "short" } as const;
const HOUR = { hour: "2-digit", minute: "2-digit" } as const;

/** The hour of a moment: "19:30". */
export function hourWords(at: Date): string {
  return at.toLocaleTimeString("en-GB", HOUR);
}

/** The hour of a moment to the second: "19:30:07". */
export function secondWords(at: Date): string {
  return at.toLocaleTimeString("en-GB");
}

/** Day and hour of a moment: "Mon 30 Nov 19:30". */
export function dayAndHourWords(at: Date): string {
  return `${at.toLocaleDateString("en-GB", DAY)} ${hourWords(at)}`;
}

/** Day and time of a moment to the second. */
export function dayAndSecondWords(at: Date): string {
  return `${at.toLocaleDateString("en-GB", DAY)} ${secondWords(at)}`;
}

/** A day as it is written on a paper: "30 November 2026". */
export function dateWords(at: Date): string {
  return at.toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" });
}
