/** How a tab looks, here and now and when it is not chosen. */
export const TAB =
  "min-h-11 border-b-[3px] border-transparent px-1 text-soft data-[state=active]:border-spruce data-[state=active]:font-semibold data-[state=active]:text-ink";
