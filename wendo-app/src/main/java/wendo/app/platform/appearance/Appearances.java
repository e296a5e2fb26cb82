package wendo.app.platform.appearance;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.PublicFace;
import wendo.app.platform.site.PublicLanguages;

/** The appearance of the current business. */
@Service
public class Appearances {
    private final AppearanceRepository repository;
    private final Logos logos;
    private final Businesses businesses;

    Appearances(
            AppearanceRepository repository,
            Logos logos,
            Businesses businesses,
            PlatformTransactionManager transactions) {
        this.repository = repository;
        this.logos = logos;
        this.businesses = businesses;
        TransactionTemplate reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        PublicLanguages.ownFace(() -> reading.execute(status -> face()));
    }

    /** @param version 0 until something was said */
    record Shown(Appearance appearance, int version) {}

    @Transactional(readOnly = true)
    Shown shown() {
        return stored().map(stored -> new Shown(stored.appearance(), stored.version()))
                .orElseGet(() -> new Shown(Appearance.USUAL, 0));
    }

    private Optional<StoredAppearance> stored() {
        return repository.findFirstBy();
    }

    /** As its public pages show it. */
    @Transactional(readOnly = true)
    public PublicFace face() {
        Business business = businesses.current();
        Shown shown = shown();
        Appearance appearance = shown.appearance();
        return new PublicFace(
                business.name(),
                business.siteKey(),
                logos.isThere(),
                appearance.colour().isPresent(),
                shown.version(),
                appearance.address(),
                appearance.imprint(),
                appearance.privacy(),
                appearance.isSigned(),
                "");
    }

    /** Of two who are the first at once, one is refused by the unique key. */
    @Transactional
    void change(EditedVersion edited, Appearance appearance) {
        StoredAppearance stored = stored().orElseGet(StoredAppearance::new);
        stored.mustStillBe(edited);
        stored.become(appearance);
        repository.save(stored);
    }
}
