/** How high a row of the planner is, as in the spine, and how wide a light's column; pixels. */
export const ROW = 28;
export const COLUMN = 78;

/** How marks are placed where nothing more is said, in the order in which they are offered. */
export const POLICIES = ["late", "early", "live"] as const;
