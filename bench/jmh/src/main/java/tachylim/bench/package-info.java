/** How fast the core is, measured. */
package tachylim.bench;
