using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Store.People;

/// <summary>What a link or a session is known by: 256 random bits, of which only the hash is kept.</summary>
public static class Secret
{
    private const int Bytes = 32;

    /// <summary>A new one, as it stands in addresses and cookies: 43 letters, digits, - and _.</summary>
    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));

    /// <summary>Its SHA-256. What has so many bits needs no salt and no slow hash.</summary>
    public static byte[] Hash(string secret) => SHA256.HashData(Encoding.UTF8.GetBytes(secret));
}
