/** Looking back: sessions as they were kept, never decided again. */
package tachylim.server.log;
