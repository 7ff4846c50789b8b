/** Labels that say the stage is dark. */
const BLACKOUT = /\b(black ?-?out|d\.?b\.?o|b\.?o|lights? out|to black|all out)\b/i;

/**
 * True for the label of a cue that is called a blackout.
 * Read for whole words, whatever the case.
 */
export function isBlackout(label: string): boolean {
  return BLACKOUT.test(label);
}
