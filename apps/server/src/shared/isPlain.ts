import { NOT_PLAIN, isPlainText } from "@zm/core";
import { ValidateBy, type ValidationOptions, buildMessage } from "class-validator";

/** Text without control characters; `field` names it in the refusal. */
export function IsPlain(field: string, options?: ValidationOptions): PropertyDecorator {
  const defaultMessage = buildMessage(() => `${field} ${NOT_PLAIN}`, options);
  return ValidateBy({ name: "isPlain", validator: { validate: isPlainText, defaultMessage } }, options);
}
