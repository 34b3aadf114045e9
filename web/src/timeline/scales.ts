type Span = readonly [number, number];

/** Where a value lies on the page, in proportion to where it lies between the ends of {@code from}. */
export const linear = ([low, high]: Span, [at, to]: Span) => {
  const each = high === low ? 0 : (to - at) / (high - low);
  return (value: number) => at + (value - low) * each;
};

/** The same by ratios: from 60 to 120 is as far as from 80 to 160. */
export const logarithmic = ([low, high]: Span, onto: Span) => {
  const place = linear([Math.log(low), Math.log(high)], onto);
  return (value: number) => place(Math.log(value));
};
