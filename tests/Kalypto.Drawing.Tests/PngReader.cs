using System.Buffers.Binary;
using System.IO.Compression;

namespace Kalypto.Drawing.Tests;

/// <summary>A small PNG decoder written from the specification, independent of the encoder under test.</summary>
internal static class PngReader
{
    public static (int Width, int Height, byte[] Rgba) Read(byte[] file)
    {
        Assert.Equal([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a], file[..8]);
        int width = 0, height = 0, depth = 0, type = 0;
        byte[] palette = [], alphas = [];
        var data = new MemoryStream();
        for (var at = 8; at < file.Length;)
        {
            var length = BinaryPrimitives.ReadInt32BigEndian(file.AsSpan(at));
            var name = System.Text.Encoding.ASCII.GetString(file, at + 4, 4);
            var body = file[(at + 8)..(at + 8 + length)];
            Assert.Equal(Crc(file.AsSpan(at + 4, length + 4)), BinaryPrimitives.ReadUInt32BigEndian(file.AsSpan(at + 8 + length)));
            switch (name)
            {
                case "IHDR": (width, height, depth, type) = (BinaryPrimitives.ReadInt32BigEndian(body), BinaryPrimitives.ReadInt32BigEndian(body.AsSpan(4)), body[8], body[9]); break;
                case "PLTE": palette = body; break;
                case "tRNS": alphas = body; break;
                case "IDAT": data.Write(body); break;
            }
            at += length + 12;
        }
        data.Position = 0;
        using var zlib = new ZLibStream(data, CompressionMode.Decompress);
        var raw = new MemoryStream();
        zlib.CopyTo(raw);
        var channels = type switch { 0 or 3 => 1, 4 => 2, 2 => 3, _ => 4 };
        var row = (width * channels * depth + 7) / 8;
        var step = Math.Max(1, channels * depth / 8);
        var lines = Unfilter(raw.ToArray(), height, row, step);
        var rgba = new byte[width * height * 4];
        for (var y = 0; y < height; y++)
        {
            for (var x = 0; x < width; x++)
            {
                int Sample(int c) => depth == 8 ? lines[y * row + x * channels + c]
                    : (lines[y * row + x * depth / 8] >> (8 - depth - x * depth % 8)) & ((1 << depth) - 1);
                var gray = type is 0 ? Sample(0) * 255 / ((1 << depth) - 1) : 0;
                var (r, g, b, a) = type switch
                {
                    0 => (gray, gray, gray, 255),
                    2 => (Sample(0), Sample(1), Sample(2), 255),
                    3 => (palette[Sample(0) * 3], palette[Sample(0) * 3 + 1], palette[Sample(0) * 3 + 2], Sample(0) < alphas.Length ? alphas[Sample(0)] : 255),
                    4 => (Sample(0), Sample(0), Sample(0), Sample(1)),
                    _ => (Sample(0), Sample(1), Sample(2), Sample(3)),
                };
                new[] { (byte)r, (byte)g, (byte)b, (byte)a }.CopyTo(rgba, (y * width + x) * 4);
            }
        }
        return (width, height, rgba);
    }

    private static byte[] Unfilter(byte[] raw, int height, int row, int step)
    {
        Assert.Equal(height * (row + 1), raw.Length);
        var lines = new byte[height * row];
        for (var y = 0; y < height; y++)
        {
            for (var i = 0; i < row; i++)
            {
                int left = i < step ? 0 : lines[y * row + i - step], up = y == 0 ? 0 : lines[(y - 1) * row + i];
                var corner = i < step || y == 0 ? 0 : lines[(y - 1) * row + i - step];
                var p = left + up - corner;
                var paeth = Math.Abs(p - left) <= Math.Abs(p - up) && Math.Abs(p - left) <= Math.Abs(p - corner) ? left
                    : Math.Abs(p - up) <= Math.Abs(p - corner) ? up : corner;
                lines[y * row + i] = (byte)(raw[y * (row + 1) + 1 + i] + raw[y * (row + 1)] switch { 0 => 0, 1 => left, 2 => up, 3 => (left + up) / 2, _ => paeth });
            }
        }
        return lines;
    }

    private static uint Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = uint.MaxValue;
        foreach (var b in bytes)
        {
            crc ^= b;
            for (var k = 0; k < 8; k++)
            {
                crc = (crc & 1) == 0 ? crc >> 1 : 0xedb88320 ^ (crc >> 1);
            }
        }
        return ~crc;
    }
}
