package nursery.app.platform;

import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether there is somebody at the other end of the line, database and all; a page asks before it sends a touch. */
@RestController
class PingController {

    private final SubmissionMapper mapper;

    PingController(SubmissionMapper mapper) {
        this.mapper = mapper;
    }

    @GetMapping("/ping")
    ResponseEntity<String> ping() {
        mapper.alive();
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body("here");
    }
}
