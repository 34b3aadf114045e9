/** Copies of everything that is kept: whether one is whole. The launcher asks, before it lets anybody rely on one. */
package tachylim.server.backup;
