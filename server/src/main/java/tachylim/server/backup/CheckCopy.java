package tachylim.server.backup;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Map;
import tachylim.server.backup.Copy.Flaw;

/**
 * For the launcher: says in a sentence what is wrong with a copy, and with the database that it was read into where one is
 * named, and ends with 1 where anything is.
 */
public final class CheckCopy {

    private CheckCopy() {}

    public static void main(String[] args) {
        System.exit(check(args, System.getenv(), System.out) ? 0 : 1);
    }

    /** @param args the file, and the database's name where it was read into one already */
    static boolean check(String[] args, Map<String, String> environment, PrintStream out) {
        Path file = Path.of(args[0]);
        try {
            Copy copy = Copy.read(file);
            if (args.length > 1) {
                String url = "jdbc:mariadb://" + environment.get("TACHYLIM_DB_HOST") + "/" + args[1];
                try (Connection database = DriverManager.getConnection(
                        url, environment.get("TACHYLIM_DB_USER"), environment.get("TACHYLIM_DB_PASSWORD"))) {
                    new ReadBack(copy, database).check();
                }
            }
            return true;
        } catch (Flaw flaw) {
            out.println(flaw.getMessage());
        } catch (IOException e) {
            out.println(file + " cannot be read: " + e.getMessage());
        } catch (SQLException e) {
            out.println(file + " could not be looked at: " + e.getMessage());
        }
        return false;
    }
}
