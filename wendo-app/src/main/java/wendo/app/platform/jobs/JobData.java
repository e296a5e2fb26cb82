package wendo.app.platform.jobs;

import com.github.kagkarlsson.scheduler.serializer.Serializer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.ObjectInputStream;
import java.io.ObjectStreamClass;
import java.io.UncheckedIOException;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what a job is about as JSON, which outlives a class that moves. What waits from earlier versions is still read. */
class JobData implements Serializer {
    private static final byte JAVA_SERIALIZATION =
            (byte) 0xAC; // Java Object Serialization Specification, 6.4.2: STREAM_MAGIC
    private final JsonMapper json;

    JobData(JsonMapper json) {
        this.json = json;
    }

    @Override
    public byte @Nullable [] serialize(@Nullable Object data) {
        return data == null ? null : json.writeValueAsBytes(data);
    }

    @Override
    public <T> @Nullable T deserialize(Class<T> type, byte @Nullable [] data) {
        if (data == null || data.length == 0) {
            return null;
        }
        return data[0] == JAVA_SERIALIZATION ? readEarlier(type, data) : json.readValue(data, type);
    }

    private static <T> T readEarlier(Class<T> type, byte[] data) {
        try (ObjectInputStream in = new EarlierData(new ByteArrayInputStream(data), type)) {
            return type.cast(in.readObject());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (ClassNotFoundException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Takes a class of this application, wherever it lay then, for the one that is asked for. */
    private static class EarlierData extends ObjectInputStream {
        private final Class<?> type;

        EarlierData(InputStream in, Class<?> type) throws IOException {
            super(in);
            this.type = type;
        }

        @Override
        protected ObjectStreamClass readClassDescriptor() throws IOException, ClassNotFoundException {
            ObjectStreamClass read = super.readClassDescriptor();
            return read.getName().startsWith("wendo.") ? ObjectStreamClass.lookup(type) : read;
        }
    }
}
