/**
 * The door through which a page reaches the core that it carries: texts of JSON in, texts of JSON out. No rule is here; what
 * is decided, the core decides, and the server decides it again by the same classes.
 */
package tachylim.browser;
