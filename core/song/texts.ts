/** A text in which every half of a sign that lost its other half is a �: files and other programs refuse half signs. */
export function wellFormed(text: string): string {
  return text.replace(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, '\uFFFD');
}

/** The beginning of a text, at most so long (UTF-16), whole signs as one sees them. `cutTo('ab👩‍👧', 4) // "ab"` */
export function cutTo(text: string, most: number): string {
  const whole = wellFormed(text.slice(0, most + 200));
  if (whole.length <= most) return whole;
  let end = 0;
  for (const { segment, index } of new Intl.Segmenter().segment(whole)) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return end > 0 ? whole.slice(0, end) : wellFormed(whole.slice(0, most));
}
