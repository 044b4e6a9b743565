using System.Collections.Concurrent;
using Kalypto.Core.Deciding;
using Kalypto.Core.Tagging;
using Npgsql;

namespace Kalypto.Store;

/// <summary>Marks of layers as rows, and their fields in the history.</summary>
internal static class Marks
{
    // The same few lines of tags stand on thousands of layers.
    private static readonly ConcurrentDictionary<string, Tags> KnownTags = new(StringComparer.Ordinal);

    public static async Task<Dictionary<LineageKey, Mark>> ReadAsync(NpgsqlConnection connection, IReadOnlyList<LineageKey> layers, CancellationToken cancel) => layers.Count == 0 ? [] :
        (await connection.Command("""
            select m.design_id, m.lineage, m.decision, m.ship_name, m.tags, m.dismissed, m.apart from marks m
            join unnest($1, $2) as l (design_id, lineage) using (design_id, lineage)
            """, layers.Select(l => l.Design).ToArray(), layers.Select(l => l.Lineage).ToArray())
        .ListAsync(r => (Key: new LineageKey(r.GetInt32(0), r.GetInt32(1)), Mark: Read(r, 2)), cancel)).DistinctBy(m => m.Key).ToDictionary(m => m.Key, m => m.Mark);

    public static Task WriteAsync(NpgsqlConnection connection, IReadOnlyDictionary<LineageKey, Mark> marks, CancellationToken cancel) => marks.Count == 0 ? Task.CompletedTask : connection.Command("""
        insert into marks (design_id, lineage, decision, ship_name, tags, dismissed, apart)
        select * from unnest($1, $2, $3, $4, $5, $6, $7)
        on conflict (design_id, lineage) do update set decision = excluded.decision, ship_name = excluded.ship_name, tags = excluded.tags,
          dismissed = excluded.dismissed, apart = excluded.apart
        """,
        marks.Keys.Select(k => k.Design).ToArray(), marks.Keys.Select(k => k.Lineage).ToArray(),
        marks.Values.Select(m => m.Decision.ToString()).ToArray(), marks.Values.Select(m => m.ShipName).ToArray(),
        marks.Values.Select(m => m.Tags.ToString()).ToArray(), marks.Values.Select(m => m.Dismissed).ToArray(), marks.Values.Select(m => m.Apart).ToArray()).RunAsync(cancel);

    /// <summary>A mark out of five columns. What a later version wrote and this one cannot read is nothing said of that one layer.</summary>
    public static Mark Read(NpgsqlDataReader reader, int first) => Enum.TryParse<Decision>(reader.GetString(first), out var decision) ?
        new(decision, reader.Nullable<string>(first + 1), KnownTags.GetOrAdd(reader.GetString(first + 2), TagsOf))
        {
            Dismissed = reader.GetBoolean(first + 3),
            Apart = reader.GetBoolean(first + 4),
        } : Mark.None;

    public static IEnumerable<Change> Differences(LineageKey layer, Mark before, Mark after) => new[]
    {
        new Change(layer.Design, layer.Lineage, "decision", before.Decision.ToString(), after.Decision.ToString()),
        new Change(layer.Design, layer.Lineage, "name", before.ShipName, after.ShipName),
        new Change(layer.Design, layer.Lineage, "tags", before.Tags.ToString(), after.Tags.ToString()),
        new Change(layer.Design, layer.Lineage, "dismissed", before.Dismissed.ToString(), after.Dismissed.ToString()),
        new Change(layer.Design, layer.Lineage, "apart", before.Apart.ToString(), after.Apart.ToString()),
    }.Where(c => c.Before != c.After);

    public static Mark With(Mark mark, string field, string? value) => field switch
    {
        "decision" => mark with { Decision = Enum.Parse<Decision>(value!) },
        "name" => mark with { ShipName = value },
        "dismissed" => mark with { Dismissed = bool.Parse(value!) },
        "apart" => mark with { Apart = bool.Parse(value!) },
        _ => mark with { Tags = TagsOf(value!) },
    };

    /// <summary>Tags as they were written; none where this version does not understand them.</summary>
    public static Tags TagsOf(string text)
    {
        try
        {
            return Tags.Parse(text);
        }
        catch (FormatException)
        {
            return Tags.Empty;
        }
    }
}
