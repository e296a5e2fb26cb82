package wendo.app.platform.accounts;

import java.security.SecureRandom;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.site.Digest;
import wendo.app.platform.site.RandomToken;

/** What people prove with who they are: a password, the codes of an authenticator, and codes for when that is lost. */
@Service
public class Credentials {
    private static final int RECOVERY_CODES = 10;
    private static final int RECOVERY_LENGTH = 10;

    /** Crockford's Base 32 without vowels: nothing looks like something else, and no words appear. */
    private static final String RECOVERY_ALPHABET = "0123456789bcdfghjkmnpqrstvwxyz";

    private static final SecureRandom RANDOM = new SecureRandom();

    private final PersonRepository people;
    private final RecoveryCodeRepository recovery;
    private final PasskeyRepository passkeys;
    private final PasswordEncoder passwords;
    private final Clock clock;

    Credentials(
            PersonRepository people,
            RecoveryCodeRepository recovery,
            PasskeyRepository passkeys,
            PasswordEncoder passwords,
            Clock clock) {
        this.people = people;
        this.recovery = recovery;
        this.passkeys = passkeys;
        this.passwords = passwords;
        this.clock = clock;
    }

    /**
     * By what somebody can prove who they are.
     *
     * @param recoveryLeft codes for a lost authenticator that are not used yet
     */
    record Had(boolean password, boolean codes, long recoveryLeft, int passkeys) {
        /** A passkey is two factors: the device, and what unlocks it. */
        boolean hasSecondFactor() {
            return codes || passkeys > 0;
        }
    }

    @Transactional(readOnly = true)
    Had of(UUID person) {
        Person one = people.findById(person).orElseThrow();
        return new Had(
                one.hasPassword(),
                one.hasCodes(),
                recovery.countByPersonIdAndUsedAtIsNull(person),
                passkeys.countByPersonId(person));
    }

    @Transactional(readOnly = true)
    boolean isPassword(UUID person, String typed) {
        Person one = people.findById(person).orElseThrow();
        return one.hasPassword() && passwords.matches(PasswordRules.normal(typed), one.passwordHash());
    }

    @Transactional
    void setPassword(UUID person, String typed) {
        people.findById(person).orElseThrow().setPassword(passwords.encode(PasswordRules.normal(typed)), true);
    }

    /** Takes a code of their authenticator; each is taken once. */
    @Transactional
    boolean useCode(UUID person, String typed) {
        Person one = people.findAndLockById(person).orElseThrow();
        if (!one.hasCodes()) {
            return false;
        }
        OptionalLong step = OneTimeCodes.step(one.totpSecret(), typed, clock.instant(), one.totpLastStep());
        step.ifPresent(one::useStep);
        return step.isPresent();
    }

    @Transactional
    boolean useRecoveryCode(UUID person, String typed) {
        String code = typed.toLowerCase(Locale.ROOT).replaceAll("[^0-9a-z]", "");
        return code.length() == RECOVERY_LENGTH && recovery.use(person, Digest.of(code), clock.instant()) == 1;
    }

    /**
     * Asks for codes of this secret from now on, if {@code typed} shows that their authenticator knows it. Answers the
     * codes for when it is lost, which cannot be had again; empty if the code is wrong.
     */
    @Transactional
    Optional<List<String>> share(UUID person, String secret, String typed) {
        OptionalLong step = OneTimeCodes.step(secret, typed, clock.instant(), -1);
        if (step.isEmpty()) {
            return Optional.empty();
        }
        people.findAndLockById(person).orElseThrow().shareSecret(secret, step.getAsLong());
        return Optional.of(newRecoveryCodes(person));
    }

    /** Asks for no more codes. */
    @Transactional
    void forgetSecret(UUID person) {
        people.findAndLockById(person).orElseThrow().shareSecret("", 0);
        recovery.deleteByPersonId(person);
    }

    /** The codes from before are taken no more. */
    @Transactional
    List<String> newRecoveryCodes(UUID person) {
        recovery.deleteByPersonId(person);
        List<String> shown = new ArrayList<>();
        for (int i = 0; i < RECOVERY_CODES; i++) {
            String code = recoveryCode();
            recovery.save(new RecoveryCode(person, Digest.of(code)));
            shown.add(code.substring(0, RECOVERY_LENGTH / 2) + "-" + code.substring(RECOVERY_LENGTH / 2));
        }
        return List.copyOf(shown);
    }

    private static String recoveryCode() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < RECOVERY_LENGTH; i++) {
            code.append(RECOVERY_ALPHABET.charAt(RANDOM.nextInt(RECOVERY_ALPHABET.length())));
        }
        return code.toString();
    }

    /** A password that nobody knows, for somebody who signs in by a passkey. */
    static String unknownPassword() {
        return RandomToken.next() + RandomToken.next();
    }
}
