/**
 * How what was planned and played is kept: in documents with a version and names of their own, so that every rule and
 * every name in the code may change and the past still reads as it was. What is written is the newest version;
 * what is read is any that was ever written.
 */
package tachylim.server.record;
