package nursery.app.room;

import java.time.Instant;
import java.util.List;
import nursery.core.cure.RoomReading;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

@Mapper
interface RoomMapper {

    @Select("SELECT taken_at AS at, temperature_c AS temperatureC FROM room_reading ORDER BY taken_at, id")
    List<RoomReading> all();

    @Select("SELECT taken_at AS at, temperature_c AS temperatureC FROM room_reading ORDER BY taken_at DESC, id DESC LIMIT #{count}")
    List<RoomReading> newest(int count);

    @Insert("INSERT INTO room_reading (taken_at, temperature_c, recorded_by) VALUES (#{at}, #{temperatureC}, #{recordedBy})")
    void insert(Instant at, double temperatureC, String recordedBy);
}
