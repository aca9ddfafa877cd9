package nursery.app.made;

/** Sizes of labels in mm: single ones, a page each, and sheets. */
enum LabelSize {
    LABEL_62X29("62 × 29 mm, one a page", 62, 29, 1, 1),
    LABEL_50X30("50 × 30 mm, one a page", 50, 30, 1, 1),
    SHEET_3X8("A4 sheet of 24, 70 × 37 mm", 70, 37, 3, 8),
    SHEET_2X7("A4 sheet of 14, 99 × 42 mm", 99, 42, 2, 7);

    private static final double A4_WIDTH = 210;
    private static final double A4_HEIGHT = 297;

    private final String words;
    private final double widthMm;
    private final double heightMm;
    private final int columns;
    private final int rows;

    LabelSize(String words, double widthMm, double heightMm, int columns, int rows) {
        this.words = words;
        this.widthMm = widthMm;
        this.heightMm = heightMm;
        this.columns = columns;
        this.rows = rows;
    }

    public String words() {
        return words;
    }

    public double widthMm() {
        return widthMm;
    }

    public double heightMm() {
        return heightMm;
    }

    public int columns() {
        return columns;
    }

    public int onAPage() {
        return columns * rows;
    }

    boolean isSheet() {
        return columns > 1;
    }

    public double pageWidthMm() {
        return isSheet() ? A4_WIDTH : widthMm;
    }

    public double pageHeightMm() {
        return isSheet() ? A4_HEIGHT : heightMm;
    }

    /** What is left beside the labels, shared out left and right. */
    public double marginXMm() {
        return (pageWidthMm() - columns * widthMm) / 2;
    }

    public double marginYMm() {
        return (pageHeightMm() - rows * heightMm) / 2;
    }
}
