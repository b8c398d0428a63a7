import document from '../../openapi.json';

/* What the server's document says of the fields of requests: it refuses those that it does not know. */

interface Schema {
  $ref?: string;
  type?: string | string[];
  properties?: Record<string, Schema>;
  additionalProperties?: boolean | Schema;
  items?: Schema;
  oneOf?: Schema[];
  anyOf?: Schema[];
  allOf?: Schema[];
}

interface Operation {
  requestBody?: { content: Record<string, { schema?: Schema }> };
}

const paths = document.paths as unknown as Record<string, Record<string, Operation>>;
const schemas = document.components.schemas as unknown as Record<string, Schema>;
const patterns = Object.keys(paths).map((path) => ({
  path,
  pattern: new RegExp(`^${path.replace(/\{[^}]+\}/g, '[^/]+')}$`),
}));

/** The fields of a request's body that its operation does not know, each with its way from the body. */
export function unknownFields(method: string, path: string, body: unknown): string[] {
  // A way that is written out goes before one with a place for an id.
  const known = patterns
    .filter(({ pattern }) => pattern.test(path))
    .sort((one, other) => one.path.split('{').length - other.path.split('{').length)[0];
  const schema = known && paths[known.path]?.[method.toLowerCase()]?.requestBody?.content['application/json']?.schema;
  return schema ? unknownIn(schema, body, 'body') : [];
}

function unknownIn(schema: Schema, value: unknown, at: string): string[] {
  if (schema.$ref) return unknownIn(schemas[schema.$ref.split('/').pop()!]!, value, at);
  if (Array.isArray(value)) return schema.items ? value.flatMap((one, i) => unknownIn(schema.items!, one, `${at}[${i}]`)) : [];
  if (typeof value !== 'object' || value === null) return [];
  const kinds = schema.oneOf ?? schema.anyOf;
  if (kinds) {
    return kinds.map((kind) => unknownIn(kind, value, at)).reduce((best, next) => (next.length < best.length ? next : best));
  }
  const fields = fieldsOf(schema);
  return Object.entries(value).flatMap(([name, one]) => {
    const field = fields[name];
    if (field) return unknownIn(field, one, `${at}.${name}`);
    if (typeof schema.additionalProperties === 'object') return unknownIn(schema.additionalProperties, one, `${at}.${name}`);
    return Object.keys(fields).length > 0 && one !== undefined ? [`${at}.${name}`] : [];
  });
}

function fieldsOf(schema: Schema): Record<string, Schema> {
  if (schema.$ref) return fieldsOf(schemas[schema.$ref.split('/').pop()!]!);
  return Object.assign({}, schema.properties, ...(schema.allOf ?? []).map(fieldsOf)) as Record<string, Schema>;
}
