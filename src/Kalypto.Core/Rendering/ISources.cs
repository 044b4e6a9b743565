namespace Kalypto.Core.Rendering;

/// <summary>The files that drawings came in by.</summary>
public interface ISources
{
    /// <summary>A file by its SHA-256; null when it is not kept any more.</summary>
    Task<ReadOnlyMemory<byte>?> FindAsync(string sha256, CancellationToken cancel);

    /// <summary>Finds a file that is only just coming in, until the loan is given back.</summary>
    IDisposable Lend(ReadOnlyMemory<byte> file);
}
