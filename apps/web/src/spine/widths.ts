/** Narrower than this no times up and down stand in a row of the spine, pixels. */
export const NARROW = 330;
/** Narrower than this only number, label and follow stand in a row. */
export const SLIM = 270;
/** Narrower than this only number and label do. */
export const BARE = 220;
