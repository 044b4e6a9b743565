using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;

namespace Kalypto.Store;

/// <summary>What is drawn already, found again by the key of all that went into it.</summary>
public sealed class DrawingStore(Database database)
{
    /// <summary>Takes a job off the queue.</summary>
    internal const string Done = "delete from drawing_jobs where key = $1";

    private const string Tell = $"select {Signals.Notify}json_build_object('kind', '{Signals.Drawn}', 'key', $1::text, 'by', $2::text, 'quick', $3::boolean)::text)";

    /// <summary>How long a failure that may pass is believed. Nobody waits for it longer than that, and nothing is tried for ever.</summary>
    internal static readonly TimeSpan Passing = TimeSpan.FromMinutes(10);

    // That something is asked for is written down once a day at most.
    private const string IsUsed = "set used_at = now() where key = any($1::char(64)[]) and used_at < now() - interval '1 day'";

    /// <summary>Those of the keys that are drawn.</summary>
    public async Task<IReadOnlyDictionary<string, DrawingRow>> FindAsync(IReadOnlyCollection<string> keys, CancellationToken cancel)
    {
        await using var batch = database.Redoable.Batch(
            ("select key, sha256, coalesce(weight, 0), failure, note, passes_at is not null from drawings where key = any($1::char(64)[]) and (passes_at is null or passes_at > now())", [keys.ToArray()]), ($"update drawings {IsUsed}", [keys.ToArray()]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        return (await reader.RestAsync(r => new DrawingRow(r.GetString(0), r.Nullable<string>(1), r.GetInt64(2), r.Nullable<string>(3), r.Nullable<string>(4)) { IsPassing = r.GetBoolean(5) }, cancel)).ToDictionary(d => d.Key);
    }

    /// <summary>The bytes of a drawn picture; null when it is not drawn.</summary>
    public async Task<byte[]?> BytesAsync(string key, CancellationToken cancel) => (await database.Source
        .Command("select b.bytes from drawings d join blobs b on b.sha256 = d.sha256 where d.key = $1", key)
        .ListAsync(r => r.GetFieldValue<byte[]>(0), cancel)).FirstOrDefault();

    /// <summary>Keeps a picture, or the reason why there is none, and takes its job off the queue.</summary>
    /// <param name="key">Its key.</param>
    /// <param name="drawn">What came of drawing it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="isQuick">True for a quick look for pages.</param>
    public async Task<DrawingRow> PutAsync(string key, Drawn drawn, CancellationToken cancel, bool isQuick = false)
    {
        var (bytes, failure, note) = drawn;
        var row = new DrawingRow(key, bytes is null ? null : Fingerprint.Of(bytes).Hex, bytes?.LongLength ?? 0, failure, note) { IsPassing = drawn.IsPassing };
        await database.Redoable.RunAllAsync(cancel, [
            .. bytes is null ? [] : new[] { (BlobStore.Put, new object?[] { row.Sha256, bytes }) },
            ($"insert into drawings (key, sha256, weight, failure, note, passes_at) values ($1, $2, $3, $4, $5, now() + $6) {Over("drawings", "sha256", "weight", "failure", "note")}",
                [key, row.Sha256, (long?)bytes?.LongLength, failure, note, drawn.IsPassing ? Passing : null]),
            (Done, [key]), (Tell, [key, database.Process, isQuick])]);
        return row;
    }

    /// <summary>Those of the keys of isolated layers that were looked at.</summary>
    public async Task<IReadOnlyDictionary<string, Look>> LooksAsync(IReadOnlyCollection<string> keys, CancellationToken cancel)
    {
        await using var batch = database.Redoable.Batch(("select key, ink, failure, passes_at is not null, colour, is_full, weights from looks where key = any($1::char(64)[]) and (passes_at is null or passes_at > now())", [keys.ToArray()]), ($"update looks {IsUsed}", [keys.ToArray()]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        return (await reader.RestAsync(r => (Key: r.GetString(0), Look: new Look(r.Box(1), r.Nullable<string>(2)) { IsPassing = r.GetBoolean(3), Colour = r.Nullable<string>(4), IsFull = r.GetBoolean(5), Weights = SeenWeights.Read(r.Nullable<double[]>(6)) }), cancel)).ToDictionary(l => l.Key, l => l.Look);
    }

    /// <summary>Keeps what was seen of a layer, and takes its job off the queue.</summary>
    public Task PutLookAsync(string key, Look look, CancellationToken cancel) => database.Redoable.RunAllAsync(cancel,
        ($"insert into looks (key, ink, failure, passes_at, colour, is_full, weights) values ($1, $2, $3, now() + $4, $5, $6, $7) {Over("looks", "ink", "failure", "colour", "is_full", "weights")}",
            [key, look.Ink.Numbers(), look.Failure, look.IsPassing ? Passing : null, look.Colour, look.IsFull, look.Weights?.Numbers]),
        (Done, [key]), (Tell, [key, database.Process, false]));

    /// <summary>Forgets failures, so that they are tried again at once.</summary>
    /// <param name="keys">The keys of pictures and looks.</param>
    /// <param name="onlyPassing">True to keep those that are a property of the drawing.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task ForgetFailuresAsync(IReadOnlyCollection<string> keys, bool onlyPassing, CancellationToken cancel)
    {
        var which = $"where key = any($1::char(64)[]) and {(onlyPassing ? "passes_at" : "failure")} is not null";
        return database.Redoable.RunAllAsync(cancel, ($"delete from drawings {which}", [keys.ToArray()]), ($"delete from looks {which}", [keys.ToArray()]));
    }

    // What is drawn stays; a failure that may pass gives way to whatever comes.
    private static string Over(string table, params string[] columns) =>
        $"on conflict (key) do update set {string.Concat(columns.Select(c => $"{c} = excluded.{c}, "))}passes_at = excluded.passes_at where {table}.passes_at is not null";
}
