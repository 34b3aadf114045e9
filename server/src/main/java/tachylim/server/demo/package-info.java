/**
 * A made-up player and ten weeks of practice, written through the services that players use by moving the one clock. Nothing
 * else knows of it.
 */
package tachylim.server.demo;
