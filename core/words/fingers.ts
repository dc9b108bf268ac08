/** A finger that costs so much more is hardly another way, in points of the fingering's own measure. */
const HARDLY = 0.5;
/** From here on it goes against the hand. */
const AGAINST = 6;

/** What another finger on a key comes to: "a little dearer; 2 other fingers change". */
export function fingerCostInWords(extra: number, others: number): string {
  const cost = extra < HARDLY ? 'as good' : extra < AGAINST ? 'a little dearer' : 'against the hand';
  const points = extra < HARDLY ? '' : ` (+ ${extra.toFixed(1)})`;
  const around =
    others === 0
      ? 'no other finger changes'
      : `${others} other ${others === 1 ? 'finger changes' : 'fingers change'}`;
  return `${cost}${points}; ${around}`;
}
