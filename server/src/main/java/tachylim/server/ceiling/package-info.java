/** Every pass that was played and what is believed from them: the one owner of passes, beliefs and ceilings. */
package tachylim.server.ceiling;
