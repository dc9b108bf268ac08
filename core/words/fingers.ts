/** A finger that costs so much more is hardly another way, in points of the fingering's own measure. */
const HARDLY = 0.5;
/** From here on it is awkward. */
const AGAINST = 6;

/** What another finger on a key comes to: "a little harder (+ 1.2); changes 2 other fingerings". */
export function fingerCostInWords(extra: number, others: number): string {
  const cost = extra < HARDLY ? 'as good' : extra < AGAINST ? 'a little harder' : 'awkward';
  const points = extra < HARDLY ? '' : ` (+ ${extra.toFixed(1)})`;
  const around =
    others === 0
      ? 'changes no other fingering'
      : `changes ${others} other ${others === 1 ? 'fingering' : 'fingerings'}`;
  return `${cost}${points}; ${around}`;
}
