package wendo.app.platform.accounts;

import org.springframework.stereotype.Component;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.Texts;

/** What is written while nobody waits for a page, such as a mail or a line of a history, is in the business's language. */
@Component
class BackgroundLanguage {
    BackgroundLanguage(Businesses businesses) {
        Texts.withoutReader(() -> BusinessScope.find().flatMap(any -> businesses.locale()));
    }
}
