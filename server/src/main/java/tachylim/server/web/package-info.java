/** What every request goes through: limits of size and time, refusals and failures in sentences, and the description of the API. */
package tachylim.server.web;
