/** Two moments that differ by less are the same: clocks that run at rates cannot be told apart more finely. Seconds. */
export const TIME_EPSILON = 1e-9;
