/**
 * Theil–Sen slope: the median of the slopes between every two points.
 * Source: P. K. Sen, "Estimates of the regression coefficient based on Kendall's tau", 1968.
 * @returns null with fewer than two points at different x
 */
export function theilSen(points: readonly { x: number; y: number }[]): number | null {
  const slopes: number[] = [];
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++) {
      const dx = points[j]!.x - points[i]!.x;
      if (dx !== 0) slopes.push((points[j]!.y - points[i]!.y) / dx);
    }
  return slopes.length === 0 ? null : median(slopes);
}

/** The middle value, or the mean of the two in the middle. @throws RangeError on an empty list */
export function median(values: readonly number[]): number {
  if (values.length === 0) throw new RangeError('no middle of nothing');
  const order = [...values].sort((a, b) => a - b);
  const mid = order.length >> 1;
  return order.length % 2 === 1 ? order[mid]! : (order[mid - 1]! + order[mid]!) / 2;
}
