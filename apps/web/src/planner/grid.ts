/** How high a row of the planner is, as in the spine, and how wide a light's column; pixels. */
export const ROW = 28;
export const COLUMN = 78;
