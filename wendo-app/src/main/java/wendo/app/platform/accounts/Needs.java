package wendo.app.platform.accounts;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * What somebody who is signed in has to be allowed for a handler, or for all of a controller's. A handler that changes
 * something and declares nothing is refused to everybody.
 */
@Target({ElementType.TYPE, ElementType.METHOD})
@Retention(RetentionPolicy.RUNTIME)
public @interface Needs {
    Permission value();

    /** Whether the path's {@code id} is a link, which staff may change only if it is their own. */
    boolean ofLink() default false;
}
