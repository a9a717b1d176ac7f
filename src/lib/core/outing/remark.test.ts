import { describe, expect, it } from 'vitest';
import { SYMPTOMS } from './outing';
import { namedIn } from './remark';

const of = (remark: string) => namedIn(remark, SYMPTOMS);

describe('a remark at an outing', () => {
  it.each([
    ['Hard to start warm', ['hard to start']],
    ['would not start after the fall', ['hard to start']],
    ['it didn’t start at noon', ['hard to start']],
    ['clutch was slipping', ['clutch slips']],
    ['bogs from low down, backfired twice', ['runs badly', 'backfires']],
    ['Front brake goes soft', ['brake weak or spongy']],
    ['boiled in the queue and smoked a bit', ['overheats', 'smokes']],
    ['left fork leaks', ['suspension leaks or bottoms']],
    ['jumps out of second', ['gears jump out']],
    ['some play in the steering', ['play in the steering']]
  ])('%s: names what calls work', (remark, symptoms) => {
    expect(of(remark)).toEqual({ symptoms, damage: [] });
  });
  it.each([
    ['lever bent', ['Lever bent']],
    [
      'Fell in the rocks, clutch lever bent and left hand guard cracked.',
      ['Clutch lever bent', 'Left hand guard cracked']
    ],
    ['rear tyre flat', ['Rear tyre flat']],
    ['a spoke is  loose', ['A spoke is loose']]
  ])('%s: names damage, in its own words', (remark, damage) => {
    expect(of(remark)).toEqual({ symptoms: [], damage });
  });
  it.each([
    '',
    'went well',
    'loose ground, flat track',
    'no longer hard to start',
    'bent lever replaced',
    'nothing broken, no oil leak',
    'the lever is not bent',
    'never smoked',
    'it doesn’t smoke',
    'does not overheat',
    'no visible oil leak',
    'broken'
  ])('%s: names nothing', (remark) => {
    expect(of(remark)).toEqual({ symptoms: [], damage: [] });
  });
  it('names nothing the machine has not', () => {
    expect(
      namedIn(
        'clutch slips',
        SYMPTOMS.filter((s) => s !== 'clutch slips')
      ).symptoms
    ).toEqual([]);
  });
  it('names what is gone by a no, and what would not', () => {
    expect(of('no rear brake').symptoms).toEqual(['brake weak or spongy']);
    expect(of('new clutch slips').symptoms).toEqual(['clutch slips']);
    expect(of('hard to start without choke').symptoms).toEqual(['hard to start']);
    expect(of('front brake fades with no warning').symptoms).toEqual(['brake weak or spongy']);
    expect(of('bar end missing without a trace').damage).toEqual(['Bar end missing without a trace']);
  });
  it('names each symptom once, and each damage', () => {
    expect(of('lever bent, lever bent').damage).toEqual(['Lever bent']);
    expect(of('smokes, smoked all day').symptoms).toEqual(['smokes']);
  });
});
