using System.Text.Json;

namespace Kalypto.Application.Benches;

/// <summary>What a list of rows last showed, and since which version each row does.</summary>
internal sealed class JournalList
{
    private readonly Dictionary<long, (byte[] Json, long Signature, long Version)> rows = [];
    private long[] order = [];
    private long orderVersion;

    /// <summary>Takes the list as it is now.</summary>
    /// <returns>True when anything is other than before.</returns>
    public bool Take(IReadOnlyList<JournalRow> now, long version)
    {
        var changed = false;
        var ids = new long[now.Count];
        for (var i = 0; i < ids.Length; i++)
        {
            var row = now[i];
            ids[i] = row.Id;
            if (!rows.TryGetValue(row.Id, out var before) || row.Signature != before.Signature)
            {
                rows[row.Id] = (row.Write(), row.Signature, version);
                changed = true;
            }
        }
        if (rows.Count != ids.Length || !ids.AsSpan().SequenceEqual(order))
        {
            var kept = ids.ToHashSet();
            foreach (var id in rows.Keys.Where(o => !kept.Contains(o)).ToList())
            {
                rows.Remove(id);
            }
            (order, orderVersion) = (ids, version);
            changed = true;
        }
        return changed;
    }

    /// <summary>Writes the rows that changed since a version, and the order where that did.</summary>
    public void Write(Utf8JsonWriter json, string name, string orderName, long known)
    {
        json.WriteStartArray(name);
        foreach (var id in order)
        {
            var (row, _, version) = rows[id];
            if (version > known)
            {
                json.WriteRawValue(row, skipInputValidation: true);
            }
        }
        json.WriteEndArray();
        if (orderVersion > known)
        {
            json.WriteStartArray(orderName);
            foreach (var id in order)
            {
                json.WriteNumberValue(id);
            }
            json.WriteEndArray();
        }
    }
}
