import { addressFault, isAddress } from "@zm/protocol";
import { ValidateBy, type ValidationOptions, buildMessage } from "class-validator";

/** A host and a port from 1 to 65535; `field` names it in the refusal, `example` is one that could stand there. */
export function IsAddress(field: string, example: string, options?: ValidationOptions): PropertyDecorator {
  const defaultMessage = buildMessage(() => `${field}: ${addressFault(example)}`, options);
  return ValidateBy({ name: "isAddress", validator: { validate: isAddress, defaultMessage } }, options);
}
