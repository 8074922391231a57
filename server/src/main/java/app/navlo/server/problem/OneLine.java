package app.navlo.server.problem;

import jakarta.validation.Constraint;
import jakarta.validation.Payload;
import jakarta.validation.constraints.Pattern;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A name, a title or a subject: what stands in one line, and in the headers of a mail. Null is taken. */
@Pattern(regexp = "[^\\p{Cntrl}\\u2028\\u2029]*", message = "Write it on one line, without control characters.")
@Constraint(validatedBy = {})
@Target({ElementType.FIELD, ElementType.PARAMETER, ElementType.RECORD_COMPONENT, ElementType.TYPE_USE})
@Retention(RetentionPolicy.RUNTIME)
public @interface OneLine {
    String message() default "Write it on one line, without control characters.";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};
}
