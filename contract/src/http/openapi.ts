import * as z from 'zod';
import { allEndpoints } from '../api';
import type { Endpoint } from './endpoint';
import { errorSchema } from './error';

type Json = Record<string, unknown>;

/** OpenAPI 3.1 description of all routes, made from the contracts. */
export function openApi(version: string): Json {
  const paths: Record<string, Json> = {};
  for (const endpoint of allEndpoints()) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [endpoint.method]: operation(endpoint) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Doceo',
      version,
      description: 'Plan fly fishing lessons, record what students do, share plans.',
    },
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'doceo' } },
      schemas: { Error: jsonSchema(errorSchema, 'output') },
    },
  };
}

function operation(endpoint: Endpoint): Json {
  const parameters = [...fields(endpoint.params, 'path'), ...fields(endpoint.query, 'query')];
  const failed = {
    description: 'Refused',
    content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
  };
  return {
    summary: endpoint.summary,
    ...(endpoint.access === 'user' ? { security: [{ session: [] }] } : {}),
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(['post', 'put', 'patch'].includes(endpoint.method)
      ? {
          requestBody: {
            content: {
              'application/json': { schema: jsonSchema(endpoint.describedBody ?? endpoint.body, 'input') },
            },
          },
        }
      : {}),
    responses: {
      200: {
        description: 'Done',
        content: { 'application/json': { schema: jsonSchema(endpoint.reply, 'output') } },
      },
      default: failed,
    },
  };
}

function fields(schema: z.ZodType, where: 'path' | 'query'): Json[] {
  const { properties = {}, required = [] } = jsonSchema(schema, 'input') as {
    properties?: Json;
    required?: string[];
  };
  return Object.entries(properties).map(([name, of]) => ({
    name,
    in: where,
    required: required.includes(name),
    schema: of,
  }));
}

/** JSON Schema of a contract, without the `$schema` line. */
export function jsonSchema(schema: z.ZodType, io: 'input' | 'output'): Json {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' }) as Json;
  return rest;
}
