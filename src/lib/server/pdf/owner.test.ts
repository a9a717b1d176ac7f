import sharp from 'sharp';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, it } from 'vitest';
import type { OwnerSheet } from '../../core/owner/sheet';
import { ownerPdf } from './owner';

const sheet: OwnerSheet = {
  since: '2026-04-01',
  done: [{ what: 'Engine oil, Engine 250-A', more: '2 May · at 38.4 h · Grey paste on the magnet.' }],
  found: [],
  advised: [{ what: 'Outer joint boot torn.', more: 'For you to decide. Řezník says so.' }],
  next: [{ what: 'Valves', more: '12.0 h left, likely 3 Jul and 20 Jul' }],
  more: { done: 2, found: 0, advised: 0, next: 0 },
  photos: [{ id: 'p', words: 'the boot' }]
};
const paper = {
  team: 'Lower Barn',
  machine: { plate: '7', name: 'Barrow 250', maker: 'Fenwright' },
  hours: 3840,
  today: '2026-06-10',
  opens: 'http://127.0.0.1/machines/x/owner',
  pictures: new Map<string, Buffer>()
};
async function textOf(pdf: Buffer): Promise<{ pages: number; text: string }> {
  const doc = await getDocument({ data: new Uint8Array(pdf) }).promise;
  const { items } = await (await doc.getPage(1)).getTextContent();
  return {
    pages: doc.numPages,
    text: items
      .map((i) => ('str' in i ? i.str : ''))
      .join(' ')
      .replace(/\s+/g, ' ')
  };
}

it('holds the words on one page, whatever letters they have, and the picture', async () => {
  const jpeg = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#a33' } })
    .jpeg()
    .toBuffer();
  const pdf = await ownerPdf('A4', sheet, { ...paper, pictures: new Map([['p', jpeg]]) });
  const { pages, text } = await textOf(pdf);
  expect(pages).toBe(1);
  for (const words of [
    'Barrow 250, Fenwright',
    '38.4 running hours',
    'Done since 1 Apr',
    'Grey paste on the magnet.',
    'And 2 more.',
    'Nothing else was found.',
    'Outer joint boot torn.',
    'likely 3 Jul and 20 Jul',
    'the boot',
    'a licensed workshop have the last word'
  ])
    expect(text).toContain(words);
  // In two fonts, run by run.
  expect(text.replaceAll(' ', '')).toContain('Řezníksaysso');
  expect(pdf.toString('latin1')).toContain('/Subtype /Image');
});

it('is one page of Letter too, and without a picture', async () => {
  const long = Array.from({ length: 9 }, (_, i) => ({
    what: `Job ${i} of a longer name`,
    more: 'word '.repeat(30)
  }));
  const full = { ...sheet, done: long, advised: long.slice(0, 6), next: long.slice(0, 5), photos: [] };
  const pdf = await ownerPdf('LETTER', full, paper);
  expect((await textOf(pdf)).pages).toBe(1);
  expect(pdf.toString('latin1')).not.toContain('/Subtype /Image');
});
