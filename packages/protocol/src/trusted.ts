import { z } from "zod";

/** A structure of the core that one end made and the other takes as it is: it is an object, and not looked into again. */
export function trusted<T extends object>(): z.ZodType<T> {
  return z.custom<T>((value) => typeof value === "object" && value !== null, "is not an object");
}
