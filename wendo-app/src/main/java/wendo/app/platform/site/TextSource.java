package wendo.app.platform.site;

import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.MessageSource;
import org.springframework.context.MessageSourceResolvable;
import org.springframework.context.NoSuchMessageException;
import org.springframework.stereotype.Component;

/** Gives templates the texts of our bundles. */
@Component("messageSource")
public class TextSource implements MessageSource {

    @Override
    public @Nullable String getMessage(
            String code, Object @Nullable [] values, @Nullable String otherwise, @Nullable Locale reader) {
        return find(code, values, reader).orElse(otherwise);
    }

    @Override
    public String getMessage(String code, Object @Nullable [] values, @Nullable Locale reader) {
        return find(code, values, reader).orElseThrow(() -> new NoSuchMessageException(code));
    }

    @Override
    public String getMessage(MessageSourceResolvable one, @Nullable Locale reader) {
        String[] codes = one.getCodes();
        for (String code : codes == null ? new String[0] : codes) {
            Optional<String> found = find(code, one.getArguments(), reader);
            if (found.isPresent()) {
                return found.get();
            }
        }
        return Optional.ofNullable(one.getDefaultMessage()).orElseThrow(() -> new NoSuchMessageException("nothing"));
    }

    private static Optional<String> find(String code, Object @Nullable [] values, @Nullable Locale reader) {
        return Texts.find(reader == null ? Locale.ENGLISH : reader, code, values == null ? new Object[0] : values);
    }
}
