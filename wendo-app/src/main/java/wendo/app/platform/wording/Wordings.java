package wendo.app.platform.wording;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.PublicText;

/** The wording of the current business. */
@Service
class Wordings {
    private final OwnWordingRepository repository;

    Wordings(OwnWordingRepository repository, PlatformTransactionManager transactions) {
        this.repository = repository;
        TransactionTemplate reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
        PublicLanguages.ownWording(() -> reading.execute(status -> byText()));
    }

    private Map<String, String> byText() {
        Map<String, String> byText = new HashMap<>();
        find().forEach((text, words) -> byText.put(text.text(), words));
        return byText;
    }

    private Map<PublicText, String> find() {
        return stored().map(OwnWording::said).orElseGet(() -> new EnumMap<>(PublicText.class));
    }

    private Optional<OwnWording> stored() {
        return repository.findAll().stream().findFirst();
    }

    /** @param version 0 until something was said */
    record Shown(Map<PublicText, String> said, int version) {}

    @Transactional(readOnly = true)
    Shown shown() {
        return stored().map(wording -> new Shown(wording.said(), wording.version()))
                .orElseGet(() -> new Shown(Map.of(), 0));
    }

    /** Of two who are the first at once, one is refused by the unique key. */
    @Transactional
    void say(EditedVersion edited, Map<PublicText, String> said) {
        OwnWording wording = stored().orElseGet(OwnWording::new);
        wording.mustStillBe(edited);
        wording.say(said);
        repository.save(wording);
    }
}
