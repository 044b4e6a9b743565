using System.Collections.Concurrent;
using System.Text.Json;

namespace Kalypto.Web.Models;

/// <summary>
/// Remembers what each bench last showed, so that an answer carries only the rows that changed since a page asked before.
/// Forgotten at a restart: pages then get all rows once.
/// </summary>
public sealed class BenchJournal
{
    private const int Most = 64;
    private readonly ConcurrentDictionary<(int Project, int Design, int Root), Entry> entries = new();
    private readonly string epoch = Guid.NewGuid().ToString("N")[..8];
    private long clock;

    /// <summary>Writes the answer for a page that knows the bench as of <paramref name="since"/>.</summary>
    /// <param name="key">Project, design and screen.</param>
    /// <param name="bench">The bench as it is now.</param>
    /// <param name="since">The version that an earlier answer named; empty for everything.</param>
    /// <param name="more">Further fields of the answer.</param>
    public byte[] Answer((int Project, int Design, int Root) key, BenchModel bench, string? since, Action<Utf8JsonWriter>? more = null)
    {
        var entry = entries.GetOrAdd(key, _ => new());
        lock (entry)
        {
            entry.Used = Interlocked.Increment(ref clock);
            Take(entry, bench);
            var known = since?.Split('-') is [var e, var number] && e == epoch && long.TryParse(number, out var version) ? version : -1;
            var answer = Write(key, entry, bench, known, more);
            Forget();
            return answer;
        }
    }

    private static void Take(Entry entry, BenchModel bench)
    {
        var version = entry.Version + 1;
        var changed = false;
        var order = new int[bench.Rows.Count];
        var gone = entry.Rows.Count != order.Length;
        for (var i = 0; i < order.Length; i++)
        {
            var row = bench.Rows[i];
            order[i] = row.Ordinal;
            if (!entry.Rows.TryGetValue(row.Ordinal, out var before) || row.Signature != before.Signature)
            {
                entry.Rows[row.Ordinal] = (JsonSerializer.SerializeToUtf8Bytes(row.Make(), JsonSerializerOptions.Web), row.Signature, version);
                changed = true;
            }
        }
        if (gone || !order.AsSpan().SequenceEqual(entry.Order))
        {
            var kept = order.ToHashSet();
            foreach (var ordinal in entry.Rows.Keys.Where(o => !kept.Contains(o)).ToList())
            {
                entry.Rows.Remove(ordinal);
            }
            entry.Order = order;
            entry.OrderVersion = version;
            changed = true;
        }
        entry.Version = changed ? version : entry.Version;
    }

    private byte[] Write((int Project, int Design, int Root) key, Entry entry, BenchModel bench, long known, Action<Utf8JsonWriter>? more)
    {
        using var stream = new MemoryStream();
        using (var json = new Utf8JsonWriter(stream))
        {
            json.WriteStartObject();
            json.WriteString("version", $"{epoch}-{entry.Version}");
            json.WriteNumber("project", key.Project);
            json.WriteNumber("design", key.Design);
            json.WriteNumber("root", key.Root);
            json.WriteNumber("drawnAt", bench.DrawnAt);
            json.WriteString("howMuch", bench.HowMuch);
            Field("screen", bench.Screen);
            Field("strip", bench.Strip);
            Field("sum", bench.Sum);
            json.WriteStartArray("rows");
            foreach (var ordinal in entry.Order)
            {
                var (row, _, version) = entry.Rows[ordinal];
                if (version > known)
                {
                    json.WriteRawValue(row, skipInputValidation: true);
                }
            }
            json.WriteEndArray();
            if (entry.OrderVersion > known)
            {
                Field("order", entry.Order);
            }
            more?.Invoke(json);
            json.WriteEndObject();

            void Field<T>(string name, T value)
            {
                json.WritePropertyName(name);
                JsonSerializer.Serialize(json, value, JsonSerializerOptions.Web);
            }
        }
        return stream.ToArray();
    }

    private void Forget()
    {
        if (entries.Count > Most && entries.MinBy(e => e.Value.Used) is { Key: var oldest })
        {
            entries.TryRemove(oldest, out _);
        }
    }

    private sealed class Entry
    {
        public Dictionary<int, (byte[] Json, long Signature, long Version)> Rows { get; } = [];
        public int[] Order { get; set; } = [];
        public long OrderVersion { get; set; }
        public long Version { get; set; }
        public long Used { get; set; }
    }
}
