package tachylim.server.web;

import jakarta.servlet.http.HttpServletRequest;

/** Whether a request comes from the machine that the server runs on, and not through a proxy from somewhere else. */
public final class ThisMachine {

    private ThisMachine() {}

    public static boolean asks(HttpServletRequest request) {
        return request.getHeader("X-Forwarded-For") == null
                && request.getHeader("Forwarded") == null
                && isLoopback(request.getRemoteAddr());
    }

    private static boolean isLoopback(String address) {
        return address.startsWith("127.") || address.equals("::1") || address.equals("0:0:0:0:0:0:0:1");
    }
}
