/**
 * Where technique breaks down: the comfortable, ceiling and breakdown tempos of a section, estimated from every
 * judged pass by an exact filter on a grid, with how sure that is.
 */
package tachylim.ceiling;
