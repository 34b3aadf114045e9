/** What microphones measured of passes: figures, which come from pages and never bring a sound with them. */
package tachylim.server.take;
