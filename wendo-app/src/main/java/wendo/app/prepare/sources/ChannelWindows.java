package wendo.app.prepare.sources;

import java.util.EnumMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;
import wendo.core.credit.LookbackWindows;
import wendo.core.links.Channel;

/** How long a touch of each channel may earn credit for the current business. */
@Service
public class ChannelWindows {
    private final ChannelWindowRepository repository;

    ChannelWindows(ChannelWindowRepository repository) {
        this.repository = repository;
    }

    @Transactional(readOnly = true)
    public LookbackWindows current() {
        Map<Channel, Integer> days = new EnumMap<>(Channel.class);
        repository.findAll().forEach(window -> days.put(window.channel(), window.days()));
        return new LookbackWindows(days);
    }

    /** Counts what was ever changed of any of them. */
    @Transactional(readOnly = true)
    int version() {
        return repository.findAll().stream()
                .mapToInt(window -> window.version() + 1)
                .sum();
    }

    @Transactional
    void change(EditedVersion edited, LookbackWindows windows) {
        edited.mustBe(version(), "ChannelWindow");
        windows.days().forEach((channel, days) -> {
            ChannelWindow window = repository.findById(channel).orElseGet(() -> new ChannelWindow(channel));
            window.last(days);
            repository.save(window);
        });
    }
}
