import { afterEach, expect, it, vi } from 'vitest';
import { listedMachines } from './listed';

const machine = (plate: string, name: string, maker: string) => ({ id: plate, plate, name, maker });
const FLEET = [
  machine('12', 'Fell 250', 'Tarn'),
  machine('8', 'Gill 125', 'Tarn'),
  machine('E1', 'Hush', 'Volm')
];
const answers = (by: (path: string) => Response | null) =>
  vi.stubGlobal('fetch', async (path: string) => {
    const response = by(path);
    if (!response) throw new TypeError('Failed to fetch');
    return response;
  });
const plates = async (words?: string) => (await listedMachines(words))?.map((m) => m.plate);
afterEach(() => vi.unstubAllGlobals());

it('asks the server for those that hold the words', async () => {
  answers((path) => Response.json({ data: path === '/api/machines?q=fe%20l' ? [FLEET[0]] : FLEET }));
  expect(await plates('fe l')).toEqual(['12']);
  expect(await plates()).toEqual(['12', '8', 'E1']);
});
it('without a signal it looks among those that are on the device', async () => {
  answers((path) => (path === '/api/machines' ? Response.json({ data: FLEET }) : null));
  expect(await plates(' TARN ')).toEqual(['12', '8']);
  expect(await plates('e1')).toEqual(['E1']);
  expect(await plates('nowhere')).toEqual([]);
});
it('says where nobody has them', async () => {
  answers(() => null);
  expect(await listedMachines('x')).toBeNull();
  answers(() => new Response('down', { status: 503 }));
  expect(await listedMachines()).toBeNull();
});
