/** Who somebody is: accounts, passwords and how guessing is slowed down, sessions and the browsers they are in. */
package tachylim.server.account;
