package nursery.core.surface;

/** Whatever counts time on a cup: moments, minutes on paper, a planner's slots. Later ones are larger. */
public interface Timeline {

    /** So many minutes after a work's beginning. */
    double begun(int work, double minutes);

    /** So many minutes after hands were off a work. */
    double ended(int work, double minutes);

    /** Where a pour has reached an age, hours at its label's reference. */
    double age(int pour, double hours);
}
