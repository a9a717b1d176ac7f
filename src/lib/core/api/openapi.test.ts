import { Ajv2020 } from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { describe, expect, it } from 'vitest';
import { KINDS } from '../command/commands';
import { openApi } from './openapi';
import { READ_NAMES, READS } from './reads';

interface Description {
  paths: Record<
    string,
    Record<
      string,
      {
        operationId: string;
        requestBody?: {
          content: Record<
            string,
            {
              schema: {
                properties: { commands: { items: { oneOf: { properties: { kind: { const: string } } }[] } } };
              };
            }
          >;
        };
      }
    >
  >;
  components: { schemas: Record<string, object> };
}
const description = openApi('http://127.0.0.1:3000') as unknown as Description & Record<string, unknown>;

describe('the description of the API', () => {
  it('has every command but the one that sets a team up, and every read', () => {
    const { oneOf } =
      description.paths['/api/v1/commands']!['post']!.requestBody!.content['application/json']!.schema
        .properties.commands.items;
    expect(oneOf.map((o) => o.properties.kind.const)).toEqual(KINDS.filter((k) => k !== 'team.found'));
    for (const name of READ_NAMES)
      expect(description.paths[READS[name].path]!['get']!.operationId).toBe(name);
  });
  it('describes bodies as they are checked', () => {
    const ajv = new Ajv2020({ strict: false });
    addFormats.default(ajv);
    const reading = ajv.compile(description.components.schemas['ReadingLog']!);
    const id = '6f1d0c9e-8c5e-4c43-9d6f-0f0f5f5a1b2c';
    expect(reading({ id, machineId: id, typed: '48.6', day: '2026-11-29' })).toBe(true);
    expect(reading({ id, machineId: 'the red one', typed: '48.6', day: '2026-11-29' })).toBe(false);
    expect(reading({ machineId: id })).toBe(false);
    for (const [name, schema] of Object.entries(description.components.schemas))
      if (!JSON.stringify(schema).includes('#/components'))
        expect(() => ajv.compile(schema), name).not.toThrow();
  });
});
