package nursery.app.keep;

import java.io.IOException;
import java.io.InputStream;
import nursery.app.keep.Archive.Broken;
import org.jspecify.annotations.Nullable;

/** A stream that ends in a fault after so many bytes. */
final class Bounded extends InputStream {
    private final InputStream in;
    private long left;

    Bounded(@Nullable InputStream in, long most) throws Broken {
        if (in == null) {
            throw new Broken("A part of it is missing.");
        }
        this.in = in;
        this.left = most;
    }

    @Override
    public int read() throws IOException {
        int found = in.read();
        if (found >= 0) {
            left--;
            refuseIfMore();
        }
        return found;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        int found = in.read(into, from, length);
        left -= Math.max(0, found);
        refuseIfMore();
        return found;
    }

    private void refuseIfMore() throws Broken {
        if (left < 0) {
            throw new Broken("It unpacks to more than its manifest says.");
        }
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
