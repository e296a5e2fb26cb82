package wendo.app.platform.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.kagkarlsson.scheduler.serializer.Serializer;
import java.io.Serializable;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class JobDataTest {
    private static final UUID BATCH = UUID.fromString("00000000-0000-4000-8000-000000000001");
    private final JobData data = new JobData(JsonMapper.shared());

    /** What an earlier version asked for. */
    record Job(UUID batch, String by) implements Serializable {}

    /** The same where it lies now. */
    record MovedJob(UUID batch, String by) implements Serializable {}

    @Test
    void a_job_is_kept_as_json_and_read_again() {
        byte[] kept = data.serialize(new Job(BATCH, "Ola"));
        assertThat(new String(kept, StandardCharsets.UTF_8))
                .isEqualTo("{\"batch\":\"00000000-0000-4000-8000-000000000001\",\"by\":\"Ola\"}");
        assertThat(data.deserialize(Job.class, kept)).isEqualTo(new Job(BATCH, "Ola"));
    }

    @Test
    void a_job_of_an_earlier_version_finds_its_class_where_it_lies_now() {
        byte[] kept = Serializer.DEFAULT_JAVA_SERIALIZER.serialize(new Job(BATCH, "Ola"));
        assertThat(data.deserialize(MovedJob.class, kept)).isEqualTo(new MovedJob(BATCH, "Ola"));
    }

    @Test
    void a_job_that_is_about_nothing_has_nothing() {
        assertThat(data.serialize(null)).isNull();
        assertThat(data.deserialize(Void.class, null)).isNull();
    }
}
