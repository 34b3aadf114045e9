/** Something that is rung when what it stands for has changed, and whoever listens. */
export function bell() {
  const listening = new Set<() => void>();
  return {
    ring: () => listening.forEach((tell) => tell()),
    /** Hears it ring, until the end that it gives. */
    hear: (tell: () => void) => {
      listening.add(tell);
      return () => void listening.delete(tell);
    },
  };
}
