package tachylim.server;

import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.context.properties.ConfigurationProperties;
import tachylim.server.web.ThisMachine;

/**
 * The settings of this server.
 *
 * @param demo whether one button opens the demo account
 * @param speed for tests: how many times faster than the wall clock musical time runs
 * @param hashStrength how costly hashing a password is, as a power of two: 12 takes a quarter of a second
 * @param roomMegabytes how much an account may keep, in MB
 * @param address where players find this server, such as https://practice.example; empty when nobody has said
 * @param openapi whether the description of the API is open to everybody
 * @param demoForOthers whether the demo, one account for all who open it, is shown to others than this machine
 * @param demoDays how many days of practice the demo has, 15 to 70: fewer are for tests
 */
@ConfigurationProperties("tachylim")
public record TachylimSettings(
        boolean demo,
        double speed,
        int hashStrength,
        int roomMegabytes,
        String address,
        boolean openapi,
        boolean demoForOthers,
        int demoDays) {

    /** Whether somebody who asks is shown the demo. */
    public boolean showsDemo(HttpServletRequest request) {
        return demo && (demoForOthers || ThisMachine.asks(request));
    }
}
