using Kalypto.Core.Designs;

namespace Kalypto.Store;

/// <summary>Which screens were drawn by both engines, and what that has shown.</summary>
public sealed class ProofStore(Database database)
{
    /// <summary>Those of the keys that are proved.</summary>
    public async Task<IReadOnlyDictionary<string, ProofRow>> FindAsync(IReadOnlyCollection<string> keys, CancellationToken cancel)
    {
        await using var batch = database.Redoable.Batch(
            ("""
            select key, equal, (select count(*)::int from proven where proof = key), failure, passes_at is not null
            from proofs where key = any($1::char(64)[]) and (passes_at is null or passes_at > now())
            """, [keys.ToArray()]),
            ("update proofs set used_at = now() where key = any($1::char(64)[]) and used_at < now() - interval '1 day'", [keys.ToArray()]));
        await using var reader = await batch.ExecuteReaderAsync(cancel);
        return (await reader.RestAsync(r => new ProofRow(r.GetString(0), r.Nullable<double?>(1), r.GetInt32(2), r.Nullable<string>(3)) { IsPassing = r.GetBoolean(4) }, cancel)).ToDictionary(p => p.Key);
    }

    /// <summary>All elements that an engine was proven to be needed for, with the largest share of ink that was other.</summary>
    public async Task<IReadOnlyDictionary<Fingerprint, double>> ProvenAsync(string engine, CancellationToken cancel) => (await database.Redoable
        .Command("select element, max(share) from proven join proofs on key = proof where engine = $1 group by element", engine)
        .ListAsync(r => (Element: new Fingerprint(r.GetString(0)), Share: r.GetDouble(1)), cancel)).ToDictionary(p => p.Element, p => p.Share);

    /// <summary>The picture that marks what is other; null when there is none.</summary>
    public async Task<byte[]?> MarksAsync(string key, CancellationToken cancel) => (await database.Source
        .Command("select b.bytes from proofs p join blobs b on b.sha256 = p.marks where p.key = $1", key)
        .ListAsync(r => r.GetFieldValue<byte[]>(0), cancel)).FirstOrDefault();

    /// <summary>Keeps what was shown, and takes its job off the queue.</summary>
    /// <param name="proof">What came of it.</param>
    /// <param name="engine">By which engines.</param>
    /// <param name="proven">The elements that are drawn exactly from now on.</param>
    /// <param name="marks">The picture that marks what is other; null for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    public Task PutAsync(ProofRow proof, string engine, IReadOnlyDictionary<Fingerprint, double> proven, byte[]? marks, CancellationToken cancel)
    {
        var sha256 = marks is null ? null : Fingerprint.Of(marks).Hex;
        return database.Redoable.RunAllAsync(cancel, [
            .. marks is null ? [] : new[] { (BlobStore.Put, new object?[] { sha256, marks }) },
            ("""
            insert into proofs (key, engine, equal, marks, failure, passes_at) values ($1, $2, $3, $4, $5, now() + $6)
            on conflict (key) do update set equal = excluded.equal, marks = excluded.marks, failure = excluded.failure, passes_at = excluded.passes_at where proofs.passes_at is not null
            """, [proof.Key, engine, proof.Equal, sha256, proof.Failure, proof.IsPassing ? DrawingStore.Passing : null]),
            ("insert into proven (proof, element, share) select $1, e, s from unnest($2::char(64)[], $3::float8[]) as n (e, s) on conflict do nothing",
                [proof.Key, proven.Keys.Select(k => k.Hex).ToArray(), proven.Values.ToArray()]),
            (DrawingStore.Done, [proof.Key]),
            ($"select {Signals.Notify}json_build_object('kind', '{Signals.Proved}', 'key', $1::text, 'by', $2::text)::text)", [proof.Key, database.Process])]);
    }
}
