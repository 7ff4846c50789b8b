/** How wide the spine is, pixels. */
export const SPINE_WIDTH = 424;
/** How high the head of the sheet is, pixels. */
export const HEADER = 56;
