package tachylim.server.web;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * Closes the connection of a request that was answered before all of its body was read: else the container would wait for the
 * rest of it, with a thread, to throw it away.
 */
@Component
class RefusedMeansClosed implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addEngineValves(new Closing());
    }

    private static final class Closing extends ValveBase {

        Closing() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            try {
                getNext().invoke(request, response);
            } finally {
                if (!request.isAsync() && isLeftUnread(request)) {
                    if (!response.isCommitted()) {
                        response.setHeader("Connection", "close");
                    }
                    response.finishResponse();
                    request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
                }
            }
        }

        private static boolean isLeftUnread(Request request) {
            long length = request.getContentLengthLong();
            return length > request.getCoyoteRequest().getBytesRead() || request.getHeader("Transfer-Encoding") != null;
        }
    }
}
