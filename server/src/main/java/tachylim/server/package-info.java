/**
 * The server: HTTP, accounts and records around the core. One package a feature, each with its controller, service, entities
 * and repository side by side; what is decided, the core decides.
 */
package tachylim.server;
