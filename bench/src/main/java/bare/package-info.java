/** The barest application with the same starters, to measure a start against. */
package bare;
