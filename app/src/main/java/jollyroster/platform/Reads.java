package jollyroster.platform;

import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import org.jooq.DSLContext;
import org.jooq.ResultQuery;
import org.jooq.conf.ParamType;
import org.sqlite.SQLiteConnection;

/** The store for pages: a small pool that cannot write. Only {@code …Queries} classes take it. */
public record Reads(DSLContext sql) {

    /** What is done with a row. */
    public interface Row {
        void read(ResultSet row) throws SQLException;
    }

    /**
     * Hands over row by row as the driver reads them, for tables of any length: a record for each, and the wrappers around
     * each cell, would take longer than reading it.
     */
    public void each(ResultQuery<?> query, Row row) {
        String text = query.getSQL(ParamType.INLINED);
        TablesRead.noteStatement(text);
        sql.connection(connection -> {
            SQLiteConnection store = connection.unwrap(SQLiteConnection.class);
            try (PreparedStatement statement = store.prepareStatement(text);
                    ResultSet rows = statement.executeQuery()) {
                while (rows.next()) {
                    row.read(rows);
                }
            }
        });
    }
}
