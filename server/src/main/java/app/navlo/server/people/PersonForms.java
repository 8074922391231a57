package app.navlo.server.people;

import app.navlo.server.problem.OneLine;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;

/** What people say of themselves. */
public final class PersonForms {
    private PersonForms() {}

    /** Somebody new. @param zone of their device */
    public record NewPersonForm(
            @NotBlank(message = "Type your name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @NotBlank(message = "Type your address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email,

            @NotNull(message = "Choose a password.") String password,
            @NotBlank(message = "Choose a time zone.") String zone) {
        PersonService.NewPerson person() {
            return new PersonService.NewPerson(name, email, password, zone);
        }
    }

    /** The same with the code of the first person; null where none was given. */
    public record SignUpForm(
            @NotBlank(message = "Type your name.") @Size(max = 120, message = "At most 120 letters.") @OneLine
            String name,

            @NotBlank(message = "Type your address.")
            @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
            @Size(max = 254, message = "At most 254 letters.")
            String email,

            @NotNull(message = "Choose a password.") String password,
            @NotBlank(message = "Choose a time zone.") String zone,

            @Nullable @Size(max = 40, message = "At most 40 letters.")
            String code) {
        public PersonService.NewPerson person() {
            return new PersonService.NewPerson(name, email, password, zone);
        }
    }

    /** One's password. */
    public record PasswordForm(
            @NotNull(message = "Type your password as it is now.")
            String current,

            @NotNull(message = "Choose a new password.") String next) {}
}
