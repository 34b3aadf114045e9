/** What a day holds and what has been done of it: limits, symptoms and the rest after them, and how somebody comes out of playing. */
package tachylim.server.load;
