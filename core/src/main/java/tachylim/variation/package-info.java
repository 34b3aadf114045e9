/**
 * Altered variations of a passage: rhythms, groupings, orders and loops that make some transitions fast while
 * giving time to think on others; the tempo at which each matches the target; and the choice of those
 * that train the weak transitions.
 */
package tachylim.variation;
