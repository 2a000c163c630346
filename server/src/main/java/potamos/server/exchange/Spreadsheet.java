package potamos.server.exchange;

/** What a table has to mind because it will be opened in a spreadsheet. */
public final class Spreadsheet {

    private Spreadsheet() {}

    /** A spreadsheet takes a text that begins like a formula for one; an apostrophe keeps it a text. */
    public static String text(String text) {
        return text.matches("(?s)[=+\\-@\\t\\r].*") ? "'" + text : text;
    }
}
