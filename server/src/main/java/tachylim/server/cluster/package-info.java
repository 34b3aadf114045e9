/**
 * What lets several instances play together on one database, which may be a cluster: transactions that lost against another
 * are tried again, work that only one may do is done by one while the others wait, and an instance says whether what it is
 * told can be kept.
 */
package tachylim.server.cluster;
