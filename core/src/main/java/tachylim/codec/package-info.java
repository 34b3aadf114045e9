/**
 * How values stand in a document, described once for writing and reading: trees of maps, lists, texts, numbers and truths, as
 * JSON has them. Who stores or sends documents turns such a tree into text and back, and knows nothing of what is in it.
 */
package tachylim.codec;
