/** Whether an axle is the one that the chain pulls at: not a front one, nor what holds a wheel on its hub. */
export const movesChain = (f: { name: string }): boolean => !/\bfront\b|wheel nut/i.test(f.name);
