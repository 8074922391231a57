package app.navlo.server.session;

import app.navlo.server.account.Person;
import app.navlo.server.account.TokenService;
import app.navlo.server.problem.OneLine;
import app.navlo.server.store.AccessTokens;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Access for a person's own scripts. */
@RestController
@RequestMapping("/api/people/me/tokens")
public class TokenController {
    private final TokenService tokens;

    TokenController(TokenService tokens) {
        this.tokens = tokens;
    }

    public record TokenForm(
            @NotBlank(message = "Say what it is for.") @Size(max = 100, message = "At most 100 letters.") @OneLine
            String name,

            @NotNull(message = "Say whether it may only read.")
            AccessTokens.Scope scope) {}

    /** The tokens that stand, the latest first. */
    @GetMapping
    public List<AccessTokens.AccessToken> list(@AuthenticationPrincipal Person person) {
        return tokens.of(person);
    }

    /** Makes a token. It is shown in this answer and never again. */
    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    public TokenService.Made make(@AuthenticationPrincipal Person person, @Valid @RequestBody TokenForm form) {
        return tokens.make(person, form.name(), form.scope());
    }

    /** Revokes a token: who bears it is let in no more. */
    @DeleteMapping("/{token}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void revoke(@AuthenticationPrincipal Person person, @PathVariable long token) {
        tokens.revoke(person, token);
    }
}
