using System.Buffers.Binary;

namespace Kalypto.Drawing.Encoders;

/// <summary>Puts PNG files together into an ICO (the format of .ico files since Windows Vista).</summary>
internal static class IcoWriter
{
    /// <summary>The sides that a file holds, in px.</summary>
    public static readonly int[] Sides = [16, 32, 48];

    public static byte[] Write(IReadOnlyList<(int Side, byte[] Png)> entries)
    {
        var head = new byte[6 + 16 * entries.Count];
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(2), 1);
        BinaryPrimitives.WriteUInt16LittleEndian(head.AsSpan(4), (ushort)entries.Count);
        var at = head.Length;
        for (var i = 0; i < entries.Count; i++)
        {
            var entry = head.AsSpan(6 + 16 * i, 16);
            // 0 stands for 256.
            entry[0] = entry[1] = (byte)entries[i].Side;
            BinaryPrimitives.WriteUInt16LittleEndian(entry[4..], 1);
            BinaryPrimitives.WriteUInt16LittleEndian(entry[6..], 32);
            BinaryPrimitives.WriteInt32LittleEndian(entry[8..], entries[i].Png.Length);
            BinaryPrimitives.WriteInt32LittleEndian(entry[12..], at);
            at += entries[i].Png.Length;
        }
        return [.. head, .. entries.SelectMany(e => e.Png)];
    }
}
