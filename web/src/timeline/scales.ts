type Span = readonly [number, number];

/** Where values lie on the page, and what lies at a place. */
export interface Scale {
  (value: number): number;
  invert: (place: number) => number;
}

const between = ([low, high]: Span, [at, to]: Span) => {
  const each = high === low ? 0 : (to - at) / (high - low);
  return (value: number) => at + (value - low) * each;
};

/** In proportion to where a value lies between the ends of {@code from}. */
export const linear = (from: Span, onto: Span): Scale =>
  Object.assign(between(from, onto), { invert: between(onto, from) });

/** The same by ratios: from 60 to 120 is as far as from 80 to 160. */
export function logarithmic([low, high]: Span, onto: Span): Scale {
  const place = linear([Math.log(low), Math.log(high)], onto);
  const invert = (at: number) => Math.exp(place.invert(at));
  return Object.assign((value: number) => place(Math.log(value)), { invert });
}
