/**
 * The client that the browser tests use, made from the description of the API: what the description does not have, or has
 * otherwise, they cannot call. Made before types are checked, kept nowhere.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import openapiTS, { astToString } from 'openapi-typescript';
import { openApi } from '../src/lib/core/api/openapi';

const folder = new URL('../tests/e2e/made/', import.meta.url);
mkdirSync(folder, { recursive: true });
const types = astToString(
  await openapiTS(JSON.stringify(openApi('http://127.0.0.1')), { defaultNonNullable: false })
);
writeFileSync(new URL('api-client.d.ts', folder), types);
