import { isPlainText } from "@zm/core";
import { ValidateBy, type ValidationOptions, buildMessage } from "class-validator";

/** Text without control characters; `field` names it in the refusal. */
export function IsPlain(field: string, options?: ValidationOptions): PropertyDecorator {
  const defaultMessage = buildMessage(
    () => `${field} holds a control character, which no sheet and no program can show; take it out`,
    options,
  );
  return ValidateBy({ name: "isPlain", validator: { validate: isPlainText, defaultMessage } }, options);
}
