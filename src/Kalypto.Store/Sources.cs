using System.Collections.Concurrent;
using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;

namespace Kalypto.Store;

/// <summary>The files that drawings came in by, out of the database. The last is kept at hand, for layers of one drawing are drawn one after the other.</summary>
public sealed class Sources(Database database) : ISources
{
    private readonly ConcurrentDictionary<Loan, byte> lent = new();
    private (string Sha256, byte[] Bytes)? last;

    /// <inheritdoc/>
    public async Task<ReadOnlyMemory<byte>?> FindAsync(string sha256, CancellationToken cancel)
    {
        if (lent.Keys.FirstOrDefault(l => l.Sha256 == sha256) is { } loan)
        {
            return loan.File;
        }
        if (last is { } held && held.Sha256 == sha256)
        {
            return held.Bytes;
        }
        var found = await database.Source.Command("select bytes from blobs where sha256 = $1", sha256).ListAsync(r => r.GetFieldValue<byte[]>(0), cancel);
        if (found is not [var bytes])
        {
            return null;
        }
        last = (sha256, bytes);
        return bytes;
    }

    /// <inheritdoc/>
    public IDisposable Lend(ReadOnlyMemory<byte> file)
    {
        var loan = new Loan(this, Fingerprint.Of(file.Span).Hex, file);
        lent[loan] = 0;
        return loan;
    }

    private sealed class Loan(Sources sources, string sha256, ReadOnlyMemory<byte> file) : IDisposable
    {
        public string Sha256 { get; } = sha256;

        public ReadOnlyMemory<byte> File { get; } = file;

        public void Dispose() => sources.lent.TryRemove(this, out _);
    }
}
