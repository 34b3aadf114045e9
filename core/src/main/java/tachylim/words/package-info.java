/** What is to be said, as data: codes and values. No sentence stands in the core. */
package tachylim.words;
