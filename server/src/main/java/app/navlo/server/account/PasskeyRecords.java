package app.navlo.server.account;

import app.navlo.server.store.PasskeyRows;
import app.navlo.server.store.PasskeyRows.Passkey;
import app.navlo.server.store.People;
import app.navlo.server.time.ServerClock;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.webauthn.api.AuthenticatorTransport;
import org.springframework.security.web.webauthn.api.Bytes;
import org.springframework.security.web.webauthn.api.CredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutableCredentialRecord;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCose;
import org.springframework.security.web.webauthn.api.ImmutablePublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialType;
import org.springframework.security.web.webauthn.api.PublicKeyCredentialUserEntity;
import org.springframework.security.web.webauthn.management.PublicKeyCredentialUserEntityRepository;
import org.springframework.security.web.webauthn.management.UserCredentialRepository;
import org.springframework.stereotype.Component;

/** People and their passkeys as Spring Security asks for them. A user is named by the person's number. */
@Component
class PasskeyRecords implements UserCredentialRepository, PublicKeyCredentialUserEntityRepository {
    private final PasskeyRows rows;
    private final People people;
    private final ServerClock clock;

    PasskeyRecords(PasskeyRows rows, People people, ServerClock clock) {
        this.rows = rows;
        this.people = people;
        this.clock = clock;
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findById(Bytes handle) {
        return rows.personOf(handle.toBase64UrlString())
                .flatMap(people::byId)
                .map(person -> user(person, handle))
                .orElse(null);
    }

    @Override
    public @Nullable PublicKeyCredentialUserEntity findByUsername(String person) {
        long id = Long.parseLong(person);
        String handle = rows.handle(id, Bytes.random().toBase64UrlString());
        return people.byId(id).map(row -> user(row, Bytes.fromBase64(handle))).orElse(null);
    }

    /** What the device shows of whose passkey it is. */
    private static PublicKeyCredentialUserEntity user(People.PersonRow person, Bytes handle) {
        return ImmutablePublicKeyCredentialUserEntity.builder()
                .id(handle)
                .name(person.email())
                .displayName(person.name())
                .build();
    }

    @Override
    public void save(PublicKeyCredentialUserEntity user) {
        throw new UnsupportedOperationException("people are made elsewhere");
    }

    /** A new one is kept under its label; of one that is here, what its use changed. */
    @Override
    public void save(CredentialRecord record) {
        PasskeyRows.Key key = key(record);
        if (rows.find(key.credential()).isPresent()) {
            rows.used(key, clock.instant());
        } else {
            long person = rows.personOf(record.getUserEntityUserId().toBase64UrlString())
                    .orElseThrow();
            rows.add(person, Objects.requireNonNullElse(record.getLabel(), ""), key, clock.instant());
        }
    }

    private static PasskeyRows.Key key(CredentialRecord record) {
        return new PasskeyRows.Key(
                record.getCredentialId().toBase64UrlString(),
                new Bytes(record.getPublicKey().getBytes()).toBase64UrlString(),
                Objects.requireNonNull(record.getAttestationObject()).toBase64UrlString(),
                record.getTransports().stream()
                        .map(AuthenticatorTransport::getValue)
                        .sorted()
                        .collect(Collectors.joining(",")),
                record.getSignatureCount(),
                record.isUvInitialized(),
                record.isBackupEligible(),
                record.isBackupState());
    }

    @Override
    public @Nullable CredentialRecord findByCredentialId(Bytes credential) {
        return rows.find(credential.toBase64UrlString())
                .map(PasskeyRecords::record)
                .orElse(null);
    }

    @Override
    public List<CredentialRecord> findByUserId(Bytes handle) {
        return rows.personOf(handle.toBase64UrlString()).stream()
                .flatMap(person -> rows.of(person).stream())
                .map(PasskeyRecords::record)
                .toList();
    }

    private static CredentialRecord record(Passkey passkey) {
        PasskeyRows.Key key = passkey.key();
        return ImmutableCredentialRecord.builder()
                .credentialType(PublicKeyCredentialType.PUBLIC_KEY)
                .credentialId(Bytes.fromBase64(key.credential()))
                .userEntityUserId(Bytes.fromBase64(passkey.handle()))
                .publicKey(ImmutablePublicKeyCose.fromBase64(key.publicKey()))
                .attestationObject(Bytes.fromBase64(key.attestation()))
                .transports(Arrays.stream(key.transports().split(","))
                        .filter(one -> !one.isEmpty())
                        .map(AuthenticatorTransport::valueOf)
                        .collect(Collectors.toSet()))
                .signatureCount(key.signatureCount())
                .uvInitialized(key.uvInitialized())
                .backupEligible(key.backupEligible())
                .backupState(key.backedUp())
                .label(passkey.name())
                .created(passkey.madeAt())
                .lastUsed(Objects.requireNonNullElse(passkey.usedAt(), passkey.madeAt()))
                .build();
    }

    /** Removing is asked of the store, by the person whose it is. */
    @Override
    public void delete(Bytes id) {
        throw new UnsupportedOperationException("a passkey is removed by its person");
    }
}
