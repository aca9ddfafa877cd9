package nursery.app.platform;

import org.springframework.dao.DataIntegrityViolationException;

/** What was there when the page was shown, and was removed before it was used; told as any lost race is. */
@Published
public class Gone extends DataIntegrityViolationException {

    private static final long serialVersionUID = 1L;

    public Gone() {
        super("It was removed a moment ago.");
    }
}
