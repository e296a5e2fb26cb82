package wendo.app.prepare.sources;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;
import wendo.core.links.Channel;

interface ChannelWindowRepository extends Repository<ChannelWindow, Channel> {
    List<ChannelWindow> findAll();

    Optional<ChannelWindow> findById(Channel channel);

    void save(ChannelWindow window);
}
