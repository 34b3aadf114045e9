/** What is to be said to players, as data: codes and values, whose words stand in the catalogues. */
package tachylim.words;
