/**
 * What is practised: a passage of notes with exact onsets in beats, its meter and key, the sections it
 * is cut into, and the paper pattern that stands for notes the player has on the stand.
 */
package tachylim.passage;
