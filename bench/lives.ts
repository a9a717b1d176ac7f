import { holdAgainst, LIVES } from '../tests/core/lives';

/** The forecast held against 400 made-up machines of each kind of life, each asked six times. */
const held = Object.fromEntries(LIVES.map((kind) => [kind, holdAgainst(kind, 400, 6)]));
console.log(JSON.stringify(held));
