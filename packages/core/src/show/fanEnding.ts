/** What of a fan stands behind its points, as a pattern: how many lights share a place ("/2"), and how many times over the points are passed ("*3"). */
export const FAN_ENDING = /(\/[1-9]\d{0,3})?(\*[1-9]\d{0,3})?$/;
