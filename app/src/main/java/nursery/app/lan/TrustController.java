package nursery.app.lan;

import java.io.IOException;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** How a device learns to trust the shop's certificate. */
@Controller
class TrustController {

    private final Optional<LanKeeper> lan;

    TrustController(Optional<LanKeeper> lan) {
        this.lan = lan;
    }

    @GetMapping("/trust")
    String trust(Model model) throws IOException {
        model.addAttribute("network", lan.isPresent());
        if (lan.isPresent()) {
            model.addAttribute("fingerprint", lan.get().fingerprint());
        }
        return "people/trust";
    }

    @GetMapping("/trust/nursery.crt")
    ResponseEntity<byte[]> certificate() throws IOException {
        return lan.isEmpty()
                ? ResponseEntity.notFound().build()
                : ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType("application/x-x509-ca-cert"))
                        .header(
                                HttpHeaders.CONTENT_DISPOSITION,
                                ContentDisposition.attachment()
                                        .filename("nursery.crt")
                                        .build()
                                        .toString())
                        .body(lan.get().toTrust());
    }
}
