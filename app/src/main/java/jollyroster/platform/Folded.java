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

    /** Whether a column contains what is sought, as people mean it. Only for {@link Reads}. */
    public static Condition contains(Field<String> column, String sought) {
        return DSL.field(NAME + "({0})", String.class, column)
                .like("%" + DSL.escape(Text.folded(sought), '!') + "%", '!');
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
