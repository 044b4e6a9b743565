using System.Runtime.InteropServices;

namespace Kalypto.Core.Reading;

/// <summary>Streams over files that are in memory already, without a second copy of what may be hundreds of megabytes.</summary>
internal static class FileStreams
{
    /// <summary>A stream that reads the bytes where they are.</summary>
    public static MemoryStream Open(ReadOnlyMemory<byte> file) => MemoryMarshal.TryGetArray(file, out var bytes)
        ? new(bytes.Array!, bytes.Offset, bytes.Count, writable: false) : new(file.ToArray(), writable: false);
}
