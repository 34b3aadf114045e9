package tachylim.server.web;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Says of something that is asked of the server that it moves no cap of today's, or by ways of its own: before everything else
 * that may change anything, today's caps are held where they are.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.METHOD)
public @interface ChangesNoCap {

    /** Why not, in a word. */
    String value();
}
