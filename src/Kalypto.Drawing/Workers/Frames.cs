using System.Buffers.Binary;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kalypto.Drawing.Workers;

/// <summary>Length-prefixed messages between the server and its workers, over standard input and output.</summary>
internal static class Frames
{
    private const int Longest = 512 * 1024 * 1024;
    private static readonly JsonSerializerOptions Options = new()
    {
        NumberHandling = JsonNumberHandling.AllowNamedFloatingPointLiterals,
        IgnoreReadOnlyProperties = true,
    };

    public static async Task WriteAsync<T>(Stream stream, T head, ReadOnlyMemory<byte> body, CancellationToken cancel)
    {
        var json = JsonSerializer.SerializeToUtf8Bytes(head, Options);
        var frame = new byte[8 + json.Length];
        BinaryPrimitives.WriteInt32LittleEndian(frame, json.Length);
        BinaryPrimitives.WriteInt32LittleEndian(frame.AsSpan(4), body.Length);
        json.CopyTo(frame, 8);
        await stream.WriteAsync(frame, cancel);
        await stream.WriteAsync(body, cancel);
        await stream.FlushAsync(cancel);
    }

    /// <summary>The next message; null at the end of the stream.</summary>
    public static async Task<(T Head, byte[] Body)?> ReadAsync<T>(Stream stream, CancellationToken cancel)
    {
        var lengths = new byte[8];
        if (await stream.ReadAtLeastAsync(lengths, 8, throwOnEndOfStream: false, cancel) < 8)
        {
            return null;
        }
        var (head, body) = (BinaryPrimitives.ReadInt32LittleEndian(lengths), BinaryPrimitives.ReadInt32LittleEndian(lengths.AsSpan(4)));
        if (head is < 0 or > Longest || body is < 0 or > Longest)
        {
            throw new InvalidDataException("A message of a worker is broken.");
        }
        var json = new byte[head];
        var data = new byte[body];
        await stream.ReadExactlyAsync(json, cancel);
        await stream.ReadExactlyAsync(data, cancel);
        return (JsonSerializer.Deserialize<T>(json, Options)!, data);
    }
}
