using System.Buffers.Binary;
using System.Globalization;
using System.Security.Cryptography;

namespace Kalypto.Web.Tests;

/// <summary>An authenticator: codes by time out of a key (RFC 6238, six digits, 30 seconds, SHA-1).</summary>
internal static class Totp
{
    private const string Digits = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

    /// <summary>The code that was given last.</summary>
    public static string Last { get; private set; } = "";

    /// <summary>The code of this moment.</summary>
    /// <param name="key">The key in base 32.</param>
    public static string Now(string key)
    {
        var bits = string.Concat(key.Select(c => Convert.ToString(Digits.IndexOf(c, StringComparison.Ordinal), 2).PadLeft(5, '0')));
        byte[] bytes = [.. bits.Chunk(8).Where(b => b.Length == 8).Select(b => Convert.ToByte(new string(b), 2))];
        var step = new byte[8];
        BinaryPrimitives.WriteInt64BigEndian(step, DateTimeOffset.UtcNow.ToUnixTimeSeconds() / 30);
#pragma warning disable CA5350 // The standard says so.
        var hash = HMACSHA1.HashData(bytes, step);
#pragma warning restore CA5350
        var number = BinaryPrimitives.ReadInt32BigEndian(hash.AsSpan(hash[^1] & 15)) & int.MaxValue;
        return Last = (number % 1_000_000).ToString("000000", CultureInfo.InvariantCulture);
    }
}
