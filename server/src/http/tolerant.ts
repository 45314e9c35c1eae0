import * as z from 'zod';

/** The parts of a schema that matter here; they are the same for all schemas of one type. */
interface Definition {
  type: string;
  shape?: Record<string, z.ZodType>;
  element?: z.ZodType;
  valueType?: z.ZodType;
  innerType?: z.ZodType;
  options?: z.ZodType[];
  items?: z.ZodType[];
  defaultValue?: unknown;
  in?: z.ZodType;
  out?: z.ZodType;
}

const made = new WeakMap<z.ZodType, z.ZodType>();

/**
 * The same schema for reading: it asks for the same fields of the same types, and for nothing else. Limits, formats,
 * lists of known words and rules between fields belong to writing; what was stored under older ones still reads. Fields
 * it does not know are left out, so that nothing is told which the schema does not name.
 */
export function tolerant<T>(schema: z.ZodType<T>): z.ZodType<T> {
  let known = made.get(schema);
  if (!known) {
    known = loosened(schema);
    made.set(schema, known);
  }
  return known as z.ZodType<T>;
}

function loosened(schema: z.ZodType): z.ZodType {
  const def = schema.def as unknown as Definition;
  switch (def.type) {
    case 'object':
      return z.object(
        Object.fromEntries(Object.entries(def.shape ?? {}).map(([key, field]) => [key, tolerant(field)])),
      );
    case 'array':
      return z.array(tolerant(def.element as z.ZodType));
    case 'record':
      return z.record(z.string(), tolerant(def.valueType as z.ZodType));
    case 'tuple':
      return z.array(z.unknown());
    case 'nullable':
      return tolerant(def.innerType as z.ZodType).nullable();
    case 'optional':
      return tolerant(def.innerType as z.ZodType).optional();
    case 'default':
      return tolerant(def.innerType as z.ZodType).default(def.defaultValue as never);
    case 'union':
      // A member that is no longer known reads as what it is.
      return z.union([...(def.options ?? []).map((option) => exactTag(option)), z.looseObject({})]);
    case 'pipe':
      return (def.in as z.ZodType).def.type === 'transform'
        ? z.pipe(def.in as never, tolerant(def.out as z.ZodType) as never)
        : tolerant(def.in as z.ZodType);
    case 'string':
    case 'enum':
      return z.string();
    case 'number':
      return z.number();
    default:
      return schema;
  }
}

/** A member of a union keeps the literals that tell it from the others. */
function exactTag(option: z.ZodType): z.ZodType {
  const { type, shape } = option.def as unknown as Definition;
  if (type !== 'object' || !shape) return option.def.type === 'literal' ? option : tolerant(option);
  return z.object(
    Object.fromEntries(
      Object.entries(shape).map(([key, field]) => [
        key,
        ['literal', 'enum'].includes(field.def.type) && key === 'kind' ? field : tolerant(field),
      ]),
    ),
  );
}
