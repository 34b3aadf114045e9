/** Changes that are counted, several times a day and without a plan. */
package tachylim.server.count;
