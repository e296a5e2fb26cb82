package wendo.app.platform.sending;

import java.util.UUID;
import org.springframework.data.repository.Repository;

interface AnswerRepository extends Repository<ReceivedAnswer, UUID> {
    void save(ReceivedAnswer answer);
}
