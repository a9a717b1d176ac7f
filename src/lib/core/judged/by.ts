/** A number that judges: what is odd, what is asked about, what is advised. Its machine’s manual and the house rules go before it. */
export interface Judged {
  is: number;
  /** The same as a workshop says it. */
  shown: string;
  /** What it decides. */
  decides: string;
  why: string;
  /** Where it is from: a standard, the handbook of the trade; `ours`: nobody gives one, and we drew the line. */
  source: string;
}
const HANDBOOK = 'handbook of the trade';
const j = (is: number, shown: string, decides: string, why: string, source = 'ours'): Judged => ({
  is,
  shown,
  decides,
  why,
  source
});

/** Every number that judges, by what it is about: the modules that judge take it from here. */
export const JUDGED_BY = {
  oil: {
    littleOut: j(
      0.7,
      '70 %',
      'Less than this of what went in last time came out: asked about',
      'Some stays in, some burns; a drain that is still shut holds back more.'
    ),
    muchOut: j(
      1.1,
      '110 %',
      'More than this of what went in last time came out: asked about',
      'Jugs are not read closer than a tenth; beyond it there is fuel or water in it.'
    ),
    comesOut: j(
      0.85,
      '85 %',
      'Less than this of what the sheet says came out: held against the other circuits',
      'Out of a drained engine comes nearly all of it.'
    ),
    oddFill: j(
      0.1,
      'a tenth',
      'Poured more or less than the sheet by this: asked about',
      'A jug, a filter and what stays in account for less.'
    ),
    jugFraction: j(
      0.02,
      '2 %',
      'Where no level is read, a fill is the sheet’s to within this',
      'A jug shows a fiftieth.'
    ),
    jugMark: j(10, '10 ml', 'And to no less than this', 'A jug has marks every 10 ml.'),
    asPoured: j(
      0.9,
      '90 %',
      'So much of a first pour lets the engine be started without a word',
      'Jugs and what stayed in the engine account for a tenth.'
    ),
    farLess: j(
      0.5,
      'half',
      'With less of a first pour than this it is not started, whatever is said',
      'Half of it is far less than it takes.',
      HANDBOOK
    ),
    settled: j(0.9, '90 %', 'So much of the settling time is enough', 'Nobody reads a glass to the second.'),
    risesTimes: j(
      2,
      'twice the usual',
      'Oil used per hour above this is a sudden rise',
      'Weather and riding make less of a difference.'
    ),
    risesBy: j(
      5,
      '5 ml/h',
      'and at least this much above the usual',
      'What a misread jug makes of a short interval.'
    ),
    risesFrom: j(50, '50 ml', 'and at least so much in all', 'A jug’s error, at both ends.'),
    glass: j(
      0.05,
      'a twentieth',
      'A level this near its aim is at it, as a share of the way between the marks',
      'Nobody reads a glass finer.'
    ),
    similarHours: j(
      1.5,
      'half as long again',
      'Oil that was in within this, longer or shorter, is compared as like',
      'What gathers in it goes with the hours.'
    )
  },
  chain: {
    uneven: j(
      10,
      '10 mm',
      'Tight and slack place further apart than this: worn unevenly',
      'Slack differs a little round any wheel; this much is no slack any more.'
    ),
    crooked: j(
      0.2,
      '0.2°',
      'A wheel more crooked than this is said',
      'More than this is seen at the sprocket.'
    ),
    nearEnough: j(0.5, '0.5 mm', 'Slack off by less than this is left alone', 'A rule reads no finer.'),
    nearlyWorn: j(
      0.9,
      '90 %',
      'A chain from this share of its limit on is said before an outing',
      'The tenth that is left is a weekend or two.'
    ),
    miscounted: j(
      0.75,
      '¾ of a pitch',
      'A length longer than new by this is asked about: counted one too many',
      'Over twenty pitches that is 3.75 %, where chains are changed at 1 to 2.'
    ),
    mostGrown: j(
      8,
      '8 %',
      'A chain is not longer than new by more than this',
      'None that still ran has grown so far: it was counted wrong.'
    ),
    stillTightens: j(
      1,
      '1 mm',
      'Tightening that moves the slack by less than this moves nothing',
      'A rule reads no finer.'
    )
  },
  valves: {
    looseSide: j(
      0.75,
      '¾ of the way',
      'Where the house sets valves to the loose side: so far from the tight end to the loose one',
      'Valves close up as they wear; the end itself is left as a margin.'
    ),
    doubled: j(
      2,
      'twice',
      'A valve that closes up at this of its earlier rate is planned for',
      'A rate that doubles is a seat or a face that gives way.',
      HANDBOOK
    ),
    doubledFrom: j(
      4,
      '4 checks',
      'A rate is called doubled from so many on',
      'Two before and the latest three, one of them in both.'
    ),
    stands: j(
      0.05,
      '0.05 µm/h',
      'Slower than this a valve stands still',
      'It is what a blade’s step makes of one that does.'
    ),
    bladeStep: j(
      25,
      '0.025 mm',
      'A seat that went by no more than this may not have gone at all',
      'The usual step of blades.'
    ),
    stepsLeft: j(
      2,
      '2 sizes',
      'A shim so near the thinnest made is said',
      'It leaves little to go: the seat is nearly through.'
    ),
    tenFold: j(
      4,
      '4 times',
      'A clearance beyond this of its upper limit is a slip of the point',
      'No valve that runs at all has it.'
    )
  },
  bolts: {
    wrenchFrom: j(
      0.2,
      'a fifth',
      'A click wrench is trusted from this share of its range on',
      'Below it the spring is not in its range.',
      HANDBOOK
    ),
    setWithin: j(
      0.1,
      'a tenth',
      'A value within this of a single printed one is the sheet’s',
      'A click wrench is good to 4 %, and is set to the nearest mark.'
    ),
    suspect: j(
      0.9,
      '90 % of proof stress',
      'A torque that would take a bolt of class 8.8 further than this looks like the wrong unit',
      'Nothing on a machine of this kind is tightened so far.'
    )
  },
  hours: {
    jumpTimes: j(
      3,
      '3 times',
      'More hours than this against the busiest usual are asked about',
      'A hard week doubles it; this is a slip.'
    ),
    jumpFrom: j(800, '8 h', 'Fewer hours than this are never asked about', 'One long day.'),
    oddPace: j(
      2.5,
      '2½ times',
      'A distance at this of the usual pace, faster or slower, is asked about',
      'Woods and road differ by less on one machine.'
    ),
    fastest: j(
      20_000,
      '200 km/h',
      'Faster than this is no ride',
      'No bike or quad of this kind goes it for an hour.'
    ),
    mostADay: j(2400, '24 h', 'More than this was not ridden on one day', 'The day is over.'),
    importRises: j(
      5,
      '5 in a row',
      'A column of so many figures that only rise is what a meter shows',
      'They rise by chance once in a hundred and twenty times.'
    )
  },
  track: {
    standsUnder: j(
      3,
      '3 km/h',
      'Slower than this a machine stands',
      'Slower than a walk: the receiver wanders.'
    ),
    longestGap: j(
      120,
      '2 min',
      'Longer than this between two points it was off',
      'A tunnel or a roof is shorter.'
    ),
    jumpsOver: j(216, '216 km/h', 'Faster than this the receiver jumped', 'Faster than any bike.')
  },
  work: {
    shorter: j(
      0.75,
      'a quarter',
      'A shorter interval is proposed by this',
      'Enough to see whether it helps; it can be shortened again.'
    ),
    harder: j(
      1.25,
      'a quarter more',
      'Riding that weighs by this more than the meter says is worth a proposal',
      'Less is within what a season differs.'
    ),
    coming: j(
      0.2,
      'the last fifth',
      'From this share of its interval on, work is coming',
      'Time to get a filter, and a free evening.'
    ),
    often: j(2, 'the third time', 'Found so often, its cause is looked for', 'Twice may be chance.'),
    beddingDays: j(
      7,
      '7 days',
      'A wheel put on within these is looked at after its first ride',
      'Longer ago, it was ridden in or looked at.'
    )
  }
} as const satisfies Record<string, Record<string, Judged>>;

/** Whose line a verdict goes by, to be said with it: `We draw the line at 70 %.` One that is printed somewhere says where. */
export const lineOf = ({ shown, source }: Judged): string =>
  source === 'ours' ? `We draw the line at ${shown}.` : `The line is ${shown} (${source}).`;
