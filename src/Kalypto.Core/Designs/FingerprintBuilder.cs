using System.Buffers;
using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Core.Designs;

/// <summary>Adds up texts to one fingerprint, each with its length before it, so that no two sequences run together.</summary>
public sealed class FingerprintBuilder : IDisposable
{
    private readonly IncrementalHash hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);

    /// <summary>Adds one text.</summary>
    public FingerprintBuilder Add(string text)
    {
        var size = Encoding.UTF8.GetMaxByteCount(text.Length) + 4;
        var rented = ArrayPool<byte>.Shared.Rent(size);
        var count = Encoding.UTF8.GetBytes(text, rented.AsSpan(4));
        BitConverter.TryWriteBytes(rented, count);
        hash.AppendData(rented, 0, count + 4);
        ArrayPool<byte>.Shared.Return(rented);
        return this;
    }

    /// <summary>The fingerprint of all that was added.</summary>
    public Fingerprint Build() => new(Convert.ToHexStringLower(hash.GetHashAndReset()));

    /// <inheritdoc/>
    public void Dispose() => hash.Dispose();
}
