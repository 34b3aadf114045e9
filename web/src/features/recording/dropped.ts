let dropped: File | undefined;

/** A file that was let fall on a page, for the page that listens to recordings. */
export const drop = (file: File) => {
  dropped = file;
};

/** The file that was let fall, once. */
export function takeDropped(): File | undefined {
  const file = dropped;
  dropped = undefined;
  return file;
}
