/** The words of takes, where they lie. */
declare module "*&takes" {
  const address: string;
  export default address;
}
