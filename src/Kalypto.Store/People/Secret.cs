using System.Buffers.Text;
using System.Globalization;
using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Store.People;

/// <summary>What a link or a session is known by: 256 random bits, of which only the hash is kept.</summary>
public static class Secret
{
    private const int Bytes = 32;

    /// <summary>A new one, as it stands in addresses and cookies: 43 letters, digits, - and _.</summary>
    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>A code of eight digits that people type: good for a few tries and no more.</summary>
    public static string Code() => RandomNumberGenerator.GetInt32(100_000_000).ToString("0000 0000", CultureInfo.InvariantCulture);

    /// <summary>Its SHA-256. What has so many bits needs no salt and no slow hash.</summary>
    public static byte[] Hash(string secret) => SHA256.HashData(Encoding.UTF8.GetBytes(secret));
}
