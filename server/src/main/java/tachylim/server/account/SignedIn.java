package tachylim.server.account;

import java.io.Serializable;
import java.security.Principal;

/**
 * Who is signed in: kept in the session, and the scope of every query.
 *
 * @param accountId the account
 * @param name its name
 */
public record SignedIn(long accountId, String name) implements Principal, Serializable {

    @Override
    public String getName() {
        return String.valueOf(accountId);
    }
}
