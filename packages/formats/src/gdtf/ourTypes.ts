/** Who our own type files say that they are made by: their short name is then the id of the type. */
export const OUR_TYPES = "Zealous Mark";
/** The one mode of a type that we write. */
export const OUR_MODE = "Standard";
