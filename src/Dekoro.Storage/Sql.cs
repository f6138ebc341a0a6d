using Microsoft.Data.Sqlite;

namespace Dekoro.Storage;

/// <summary>Parameterised statements in one line each; <c>null</c> is NULL.</summary>
internal static class Sql
{
    public static int Run(
        this SqliteConnection connection,
        string sql,
        params (string Name, object? Value)[] parameters
    )
    {
        using var command = Command(connection, sql, parameters);
        return command.ExecuteNonQuery();
    }

    public static T? One<T>(
        this SqliteConnection connection,
        string sql,
        params (string Name, object? Value)[] parameters
    )
    {
        using var command = Command(connection, sql, parameters);
        return command.ExecuteScalar() is T value ? value : default;
    }

    public static List<T> All<T>(
        this SqliteConnection connection,
        string sql,
        Func<SqliteDataReader, T> map,
        params (string Name, object? Value)[] parameters
    )
    {
        using var command = Command(connection, sql, parameters);
        using var reader = command.ExecuteReader();
        var rows = new List<T>();
        while (reader.Read())
            rows.Add(map(reader));
        return rows;
    }

    public static string Text(this SqliteDataReader row, string column) => row.GetString(row.GetOrdinal(column));

    public static string? TextOrNull(this SqliteDataReader row, string column) =>
        row.IsDBNull(row.GetOrdinal(column)) ? null : row.Text(column);

    public static int Int(this SqliteDataReader row, string column) => row.GetInt32(row.GetOrdinal(column));

    public static long Long(this SqliteDataReader row, string column) => row.GetInt64(row.GetOrdinal(column));

    public static double Real(this SqliteDataReader row, string column) => row.GetDouble(row.GetOrdinal(column));

    public static bool IsNull(this SqliteDataReader row, string column) => row.IsDBNull(row.GetOrdinal(column));

    private static SqliteCommand Command(
        SqliteConnection connection,
        string sql,
        (string Name, object? Value)[] parameters
    )
    {
        var command = connection.CreateCommand();
        command.CommandText = sql;
        foreach (var (name, value) in parameters)
            command.Parameters.AddWithValue(name, value ?? DBNull.Value);
        return command;
    }
}
