/** Passages, their music and marks, and the sections they are cut into; what is tied to the notes follows them. */
package tachylim.server.repertoire;
