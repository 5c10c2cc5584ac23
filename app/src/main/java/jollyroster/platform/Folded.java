package jollyroster.platform;

import java.sql.Connection;
import java.sql.SQLException;
import jollyroster.core.intake.Text;
import org.jooq.Condition;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.sqlite.Function;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteConnection;
import org.sqlite.SQLiteDataSource;

/**
 * Search in the store that finds "Émile" by "emile": SQLite itself knows the capitals of ASCII only. The connections of the
 * readers know how text is compared.
 */
public final class Folded {

    private static final String NAME = "folded";

    private Folded() {}

    /** The same for a column that holds nothing but ASCII, such as e-mail addresses. */
    public static Condition containsAscii(Field<String> column, String sought) {
        return column.like(pattern(sought), '!');
    }

    private static String pattern(String sought) {
        return "%" + DSL.escape(Text.folded(sought), '!') + "%";
    }

    /**
     * Whether a column contains what is sought, as people mean it. Only for {@link Reads}. Text of ASCII alone is left to the
     * store, which is fifty times as fast at it.
     */
    public static Condition contains(Field<String> column, String sought) {
        String pattern = pattern(sought);
        Condition beyondAscii = DSL.condition("{0} GLOB '*[^ -~]*'", column)
                .and(DSL.field(NAME + "({0})", String.class, column).like(pattern, '!'));
        return column.like(pattern, '!').or(beyondAscii);
    }

    /** A store whose connections can do it. */
    static SQLiteDataSource source(SQLiteConfig config) {
        return new SQLiteDataSource(config) {
            @Override
            public SQLiteConnection getConnection(@Nullable String user, @Nullable String password)
                    throws SQLException {
                SQLiteConnection connection = super.getConnection(user, password);
                teach(connection);
                return connection;
            }
        };
    }

    private static void teach(Connection connection) throws SQLException {
        Function.create(
                connection,
                NAME,
                new Function() {
                    @Override
                    protected void xFunc() throws SQLException {
                        String text = value_text(0);
                        if (text == null) {
                            result();
                        } else {
                            result(Text.folded(text));
                        }
                    }
                },
                1,
                Function.FLAG_DETERMINISTIC);
    }
}
