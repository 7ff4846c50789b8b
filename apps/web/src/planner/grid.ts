/** How high a row of the planner is, as in the spine, and how wide a light's column; pixels. */
export const ROW = 28;
export const COLUMN = 78;

/** How high the head of the planner is, pixels. */
export const HEADER = 56;
/** How wide its spine is. */
export const SPINE = 250;
/** How much room the time until the next Go and the lights that move then take. */
export const GAPS = 222;
/** Where the axis of a light stands in its column. */
export const AXIS = 9;
