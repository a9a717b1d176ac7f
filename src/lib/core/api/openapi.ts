import { z } from 'zod';
import { COMMANDS, KINDS, type Kind } from '../command/commands';
import { RULES } from '../command/rules';
import { MOST_COMMANDS } from '../command/envelope';
import { READ_NAMES, READS } from './reads';

type Json = Record<string, unknown>;
const options = { unrepresentable: 'any', reused: 'inline' } as const;
const input = (schema: z.ZodType): Json => bare(z.toJSONSchema(schema, { ...options, io: 'input' }) as Json);
const output = (schema: z.ZodType): Json =>
  bare(z.toJSONSchema(schema, { ...options, io: 'output' }) as Json);
const bare = ({ $schema: _, ...rest }: Json): Json => rest;

/** Setting up a team is nobody’s of a team: a key cannot do it. */
const API_KINDS = KINDS.filter((k): k is Exclude<Kind, 'team.found'> => k !== 'team.found');
/** `reading.log` as the name of a shape: `ReadingLog`. */
const shapeName = (kind: string) =>
  kind.replace(/(?:^|[.-])(\w)/g, (_, letter: string) => letter.toUpperCase());
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const json = (schema: Json) => ({ content: { 'application/json': { schema } } });

const REFUSED = {
  type: 'object',
  required: ['ok', 'errors'],
  properties: {
    ok: { const: false },
    errors: {
      type: 'object',
      additionalProperties: { type: 'string' },
      description: 'Why, by field, in words for a person'
    },
    more: { type: 'object', additionalProperties: {} }
  }
};
const FAULTS = {
  400: { description: 'What was sent is not what is described here.' },
  401: { description: 'The key opens nothing: it is none, was withdrawn, or its person has left.' },
  404: { description: 'Nothing of that id in this team.' }
};

/**
 * The description of everything a program can do with a book: OpenAPI 3.1, made from what checks it, so that it cannot say
 * anything else.
 * @param server address it is served at
 */
export function openApi(server: string): Json {
  const bodies = Object.fromEntries(API_KINDS.map((k) => [shapeName(k), input(COMMANDS[k])]));
  const envelopes = API_KINDS.map((kind) => ({
    type: 'object',
    description: `${RULES[kind].words}. Sent by: ${RULES[kind].who.join(', ')}.`,
    required: ['id', 'kind', 'at', 'body'],
    properties: {
      id: { type: 'string', format: 'uuid', description: 'Made by you: sent twice, it is carried out once' },
      kind: { const: kind },
      at: { type: 'string', format: 'date-time', description: 'When it was done' },
      body: ref(shapeName(kind)),
      after: {
        type: ['string', 'null'],
        format: 'uuid',
        description: 'Another command of the list: where that one is refused, this one is not tried'
      }
    }
  }));
  const reads = READ_NAMES.map((name) => {
    const { path, about, params, answer } = READS[name];
    const { properties = {}, required = [] } = input(params) as {
      properties?: Record<string, Json>;
      required?: string[];
    };
    return [
      path,
      {
        get: {
          operationId: name,
          summary: about,
          tags: ['Reading'],
          parameters: Object.entries(properties).map(([key, { description, ...schema }]) => ({
            name: key,
            in: path.includes(`{${key}}`) ? 'path' : 'query',
            required: path.includes(`{${key}}`) || required.includes(key),
            schema,
            ...(description !== undefined && { description })
          })),
          responses: { 200: { description: 'As it stands now.', ...json(output(answer)) }, ...FAULTS }
        }
      }
    ];
  });
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hour Trail',
      version: '1',
      description:
        'Everything that a screen writes is written by the same commands here, checked by the same rules, and stands in the same audit trail. The machine’s own manual, local rules and a licensed workshop have the last word: what is null is not known, and is not to be made up.'
    },
    servers: [{ url: server }],
    security: [{ key: [] }],
    paths: {
      '/api/v1/commands': {
        post: {
          operationId: 'write',
          summary: `Carries out commands, each once and by itself; at most ${MOST_COMMANDS}.`,
          description:
            'Answers with what became of each, in their order. Send the same list again where no answer came: nothing is done twice.',
          tags: ['Writing'],
          requestBody: {
            required: true,
            ...json({
              type: 'object',
              required: ['commands'],
              properties: {
                device: {
                  type: 'string',
                  maxLength: 60,
                  description: 'A name that your program keeps for itself'
                },
                sent: { type: 'string', format: 'date-time', description: 'Your clock when you send this' },
                commands: { type: 'array', minItems: 1, maxItems: MOST_COMMANDS, items: { oneOf: envelopes } }
              }
            })
          },
          responses: {
            200: {
              description: 'Each was carried out or refused.',
              ...json({
                type: 'object',
                required: ['ok', 'outcomes'],
                properties: { ok: { const: true }, outcomes: { type: 'array', items: ref('Outcome') } }
              })
            },
            422: { description: 'None could be tried.', ...json(ref('Refused')) },
            401: FAULTS[401]
          }
        }
      },
      ...Object.fromEntries(reads)
    },
    components: {
      securitySchemes: {
        key: { type: 'http', scheme: 'bearer', description: 'A key of a person, made under Programs' }
      },
      schemas: {
        ...bodies,
        Refused: REFUSED,
        Outcome: {
          oneOf: [
            {
              type: 'object',
              required: ['id', 'ok'],
              properties: { id: { type: 'string', format: 'uuid' }, ok: { const: true }, data: {} }
            },
            {
              ...REFUSED,
              required: ['id', ...REFUSED.required],
              properties: { id: { type: 'string', format: 'uuid' }, ...REFUSED.properties }
            }
          ]
        }
      }
    }
  };
}
