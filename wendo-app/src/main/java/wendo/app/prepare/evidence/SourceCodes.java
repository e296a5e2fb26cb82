package wendo.app.prepare.evidence;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Texts;

/** The codes that stand for a source, for features that give them out. */
@Service
public class SourceCodes {
    private final SourceClues clues;

    SourceCodes(SourceClues clues) {
        this.clues = clues;
    }

    /** What is wrong with it, if anything is; a code that is the source's already stays as it is. */
    public Optional<String> add(UUID source, String code, String by) {
        Optional<String> key = ClueKind.CODE.normal(code);
        if (key.isEmpty() || code.length() > SourceClues.MAX_SHOWN) {
            return Optional.of(Texts.of("prepare.evidence.use-letters-or-digits-a"));
        }
        SourceClue.Key wanted = new SourceClue.Key(ClueKind.CODE.key(), key.get());
        return UniqueKey.refuses(() -> clues.add(wanted, code, source, by))
                ? clues.taken(ClueKind.CODE, key.get(), source)
                        .map(name -> Texts.of("prepare.evidence.it-stands-for-already", name))
                : Optional.empty();
    }
}
