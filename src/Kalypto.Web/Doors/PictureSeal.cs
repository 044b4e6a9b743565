using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Web.Doors;

/// <summary>
/// Seals addresses of pictures that are found by a hash of their content: the seal proves that a page of this project handed the
/// address out, so whoever only knows a hash, or may see another project, gets nothing.
/// </summary>
internal static class PictureSeal
{
    private const int Bytes = 16;

    // Of this process until all processes of the installation share one.
    private static byte[] key = RandomNumberGenerator.GetBytes(32);

    /// <summary>Uses the key of the installation, so that every process of it accepts the addresses of the others.</summary>
    public static void Use(byte[] installationKey) => key = installationKey;

    /// <summary>The seal of a picture in a project.</summary>
    /// <param name="project">The project.</param>
    /// <param name="name">What the picture is found by.</param>
    public static string Of(int project, string name) => Base64Url.EncodeToString(HMACSHA256.HashData(key, Encoding.UTF8.GetBytes($"picture {project} {name}")).AsSpan(0, Bytes));

    /// <summary>True when a seal is that of a picture in a project.</summary>
    public static bool Holds(int project, string name, string? seal) =>
        CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(Of(project, name)), Encoding.UTF8.GetBytes(seal ?? ""));
}
