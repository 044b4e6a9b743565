using System.Collections.Concurrent;
using System.Text.Json;

namespace Kalypto.Application.Benches;

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
    /// <param name="rows">The rows of the ledger, as they are now.</param>
    /// <param name="strip">The screens of the strip, as they are now.</param>
    /// <param name="since">The version that an earlier answer named; empty for everything.</param>
    /// <param name="more">Writes further fields.</param>
    public byte[] Answer((int Project, int Design, int Root) key, IReadOnlyList<JournalRow> rows, IReadOnlyList<JournalRow> strip, string? since, Action<Utf8JsonWriter> more)
    {
        var entry = entries.GetOrAdd(key, _ => new());
        lock (entry)
        {
            entry.Used = Interlocked.Increment(ref clock);
            var version = entry.Version + 1;
            if (entry.Rows.Take(rows, version) | entry.Strip.Take(strip, version))
            {
                entry.Version = version;
            }
            var known = since?.Split('-') is [var e, var number] && e == epoch && long.TryParse(number, out var asked) ? asked : -1;
            using var stream = new MemoryStream();
            using (var json = new Utf8JsonWriter(stream))
            {
                json.WriteStartObject();
                json.WriteString("version", $"{epoch}-{entry.Version}");
                json.WriteNumber("project", key.Project);
                json.WriteNumber("design", key.Design);
                json.WriteNumber("root", key.Root);
                entry.Rows.Write(json, "rows", "order", known);
                entry.Strip.Write(json, "strip", "stripOrder", known);
                more(json);
                json.WriteEndObject();
            }
            Forget();
            return stream.ToArray();
        }
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
        public JournalList Rows { get; } = new();

        public JournalList Strip { get; } = new();

        public long Version { get; set; }

        public long Used { get; set; }
    }
}
