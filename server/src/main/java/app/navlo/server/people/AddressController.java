package app.navlo.server.people;

import app.navlo.server.account.Person;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** That an address is its person's, proved by mail. */
@RestController
class AddressController {
    private final AddressService addresses;

    AddressController(AddressService addresses) {
        this.addresses = addresses;
    }

    /** Mails the link once more with which one's address is confirmed; a few times an hour at most. */
    @PostMapping("/api/people/me/confirmations")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void again(@AuthenticationPrincipal Person person) {
        addresses.again(person.id(), person.email());
    }

    /** Confirms an address by the secret that was mailed to it, whoever is signed in. */
    @PostMapping("/api/confirmations/{secret}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable String secret) {
        addresses.confirm(secret);
    }
}
