import { type ArgumentMetadata, Injectable, type PipeTransform } from "@nestjs/common";
import { validate } from "class-validator";
import { refusalOfFields } from "./refusalWords.ts";

type Fields = object;
interface FieldsClass {
  readonly prototype: Fields;
  new (): Fields;
}

/** The class of the entries of a list: by the class that has the list, and its name. */
const ENTRIES = new WeakMap<object, Map<string | symbol, FieldsClass>>();
/** Names that would reach the class of a body instead of its fields. */
const OUT_OF_BOUNDS = new Set(["__proto__", "constructor", "prototype"]);

/** Says of which class the entries of a list are, so that each is checked as one. */
export function EntriesAre(entry: FieldsClass): PropertyDecorator {
  return (target, property) => void ENTRIES.set(target, new Map(ENTRIES.get(target)).set(property, entry));
}

/**
 * Holds the body of a request against its class: a field that is wrong or not known refuses it in words.
 * Only the fields themselves are looked at, however much stands in them: edits and changes of the Hand are read by the core.
 */
@Injectable()
export class BodyPipe implements PipeTransform {
  async transform(value: unknown, { type, metatype }: ArgumentMetadata): Promise<unknown> {
    if (type !== "body" || !isFieldsClass(metatype)) return value;
    const body = instanceOf(metatype, value ?? {});
    if (body === null) throw refusalOfFields([]);
    const errors = await validate(body, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
    if (errors.length > 0) throw refusalOfFields(errors);
    return body;
  }
}

function isFieldsClass(metatype: ArgumentMetadata["metatype"]): metatype is FieldsClass {
  return metatype !== undefined && metatype !== Object;
}

/** The value as an instance of its class; null when it is no object, or names what no field may be called. */
function instanceOf(kind: FieldsClass, value: unknown): Fields | null {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return null;
  const names = Object.keys(value);
  if (names.some((name) => OUT_OF_BOUNDS.has(name))) return null;
  const fields = new kind();
  const entries = ENTRIES.get(kind.prototype);
  for (const name of names) Reflect.set(fields, name, fieldOf(entries?.get(name), Reflect.get(value, name)));
  return fields;
}

function fieldOf(entry: FieldsClass | undefined, value: unknown): unknown {
  if (entry === undefined || !Array.isArray(value)) return value;
  return value.map((one: unknown) => instanceOf(entry, one) ?? one);
}
