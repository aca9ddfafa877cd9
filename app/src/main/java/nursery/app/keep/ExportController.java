package nursery.app.keep;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import nursery.app.people.Audit;
import nursery.app.platform.FileStore;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Everything out, a cup out, an order out: in open formats (docs/export.md). */
@Controller
class ExportController {

    private final KeepMapper mapper;
    private final Audit audit;
    private final Moments moments;
    private final FileStore files;
    private final DatabaseTools database;

    ExportController(
            KeepMapper mapper,
            Audit audit,
            Moments moments,
            FileStore files,
            @Value("${spring.datasource.url}") String url,
            @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password) {
        this.mapper = mapper;
        this.audit = audit;
        this.moments = moments;
        this.files = files;
        this.database = DatabaseTools.of(url, user, password);
    }

    @GetMapping("/export/shop.zip")
    void shop(HttpServletResponse response) throws IOException {
        Path folder = Files.createTempDirectory("nursery");
        Path file = folder.resolve("export.zip");
        try {
            Export.make(database, files.folder(), file, moments.now());
            audit.tell(Audit.What.EXPORT, "the whole shop");
            response.setContentType("application/zip");
            response.setHeader(HttpHeaders.CONTENT_DISPOSITION, named("nursery-export.zip"));
            response.setContentLengthLong(Files.size(file));
            Files.copy(file, response.getOutputStream());
        } finally {
            Files.deleteIfExists(file);
            Files.deleteIfExists(folder);
        }
    }

    @GetMapping("/export/cup/{code}")
    ResponseEntity<byte[]> cup(@PathVariable String code) throws IOException {
        long id = mapper.cup(code).orElseThrow(Gone::new);
        audit.tell(Audit.What.EXPORT, "cup " + code);
        return json(List.of(id), code);
    }

    @GetMapping("/export/order")
    ResponseEntity<byte[]> order(@RequestParam(defaultValue = "") String madeFor) throws IOException {
        List<Long> ids = mapper.cupsFor(madeFor);
        if (madeFor.isEmpty() || ids.isEmpty()) {
            throw new Gone();
        }
        audit.tell(Audit.What.EXPORT, "the order for " + madeFor);
        return json(ids, madeFor);
    }

    private ResponseEntity<byte[]> json(List<Long> ids, String name) throws IOException {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, named(name + ".cups.json"))
                .body(Export.cups(database, ids, moments.now()));
    }

    private static String named(String file) {
        return ContentDisposition.attachment()
                .filename(file, StandardCharsets.UTF_8)
                .build()
                .toString();
    }
}
