package nursery.core.log;

import nursery.core.film.Carrier;

/**
 * A place on a turner. It is the same place whatever it is called and however fast it turns.
 *
 * @param rpm turns a minute of its turner
 */
public record Spindle(long id, String name, double rpm) {

    public Spindle(long id, String name) {
        this(id, name, Carrier.USUAL_RPM);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Spindle spindle && spindle.id == id;
    }

    @Override
    public int hashCode() {
        return Long.hashCode(id);
    }
}
