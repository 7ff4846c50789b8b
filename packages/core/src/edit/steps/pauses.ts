// How much of a long computation lies between two pauses: little enough that a server's frames and presses have their turn.

/**
 * So many keys are looked at between two pauses.
 * A key costs a walk down its column.
 */
export const KEYS_A_PAUSE = 16;
/**
 * So many steps are looked at, or made, between two pauses.
 * A step costs about a microsecond.
 */
export const STEPS_A_PAUSE = 2000;
