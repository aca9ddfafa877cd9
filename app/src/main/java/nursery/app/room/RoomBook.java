package nursery.app.room;

import java.time.Instant;
import java.util.List;
import nursery.app.platform.Published;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the room's temperature was, and, held flat after the last reading, what it is taken to be from now on. */
@Published
@Service
public class RoomBook {

    /** Taken until the first reading: the middle of an ordinary room (practice, section 3, from memory). */
    public static final double ASSUMED_C = 22;

    private final RoomMapper mapper;

    RoomBook(RoomMapper mapper) {
        this.mapper = mapper;
    }

    public RoomCourse course() {
        List<RoomReading> readings = mapper.all();
        return readings.isEmpty() ? RoomCourse.steady(ASSUMED_C) : new RoomCourse(readings);
    }

    List<RoomReading> newest(int count) {
        return mapper.newest(count);
    }

    @Transactional
    public void add(RoomReading reading, String recordedBy) {
        mapper.insert(reading.at(), reading.temperatureC(), recordedBy);
    }

    /** The temperature now, as the clock takes it. */
    public double temperatureC(Instant now) {
        return course().temperatureCAt(now);
    }
}
