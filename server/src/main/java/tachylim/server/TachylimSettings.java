package tachylim.server;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * The settings of this server.
 *
 * @param demo whether one button opens the demo account
 * @param speed for tests: how many times faster than the wall clock musical time runs
 * @param hashStrength how costly hashing a password is, as a power of two: 12 takes a quarter of a second
 * @param roomMegabytes how much an account may keep, in MB
 * @param demoDays how many days of practice the demo has, 15 to 70: fewer are for tests
 */
@ConfigurationProperties("tachylim")
public record TachylimSettings(boolean demo, double speed, int hashStrength, int roomMegabytes, int demoDays) {}
