// What numbers and texts of a show may be, named once: the document, what is pressed, and the doors of the server hold to the same.

/** Per cent. */
export const LEVEL = { least: 0, most: 100 } as const;
/** How many times as fast a list can run. */
export const RATE = { least: 0.01, most: 100 } as const;
/** Beats a minute. */
export const BEATS = { least: 1, most: 1200 } as const;
/** Seconds of a fade that is given with a press. */
export const PRESS_TIME = { least: 0, most: 3600 } as const;
/** Characters of an id, of a list or a held look say. */
export const LONGEST_ID = 64;
/** Characters of a cue's number. */
export const LONGEST_CUE_NUMBER = 12;
/** So many lists go together with one press. */
export const MOST_CHOSEN = 200;
/** So many lights are named by one press. */
export const MOST_LIGHTS = 20_000;
/** Characters of the name of a key, such as 12.pan. */
export const LONGEST_KEY = 80;
/** Characters of the name of a scene. */
export const LONGEST_SCENE = 60;
