using System.Security.Cryptography;

namespace Kalypto.Web.Doors;

/// <summary>A key of this installation, shared by all its processes: it seals addresses of pictures, and backups.</summary>
internal static class InstallationKey
{
    private const string Name = "installation.key";
    private const int Bytes = 32;

    /// <summary>The key in a folder, made when it is not there; only its owner can read it.</summary>
    public static byte[] Of(string folder)
    {
        var path = Path.Combine(Directory.CreateDirectory(folder).FullName, Name);
        if (!File.Exists(path))
        {
            try
            {
                // Whole or not at all: another process may start at this moment.
                var beside = $"{path}.{Guid.NewGuid():N}";
                var options = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.Write };
                if (!OperatingSystem.IsWindows())
                {
                    options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
                }
                using (var stream = new FileStream(beside, options))
                {
                    stream.Write(RandomNumberGenerator.GetBytes(Bytes));
                }
                File.Move(beside, path, overwrite: false);
            }
            catch (IOException) when (File.Exists(path))
            {
                // The other one made it.
            }
        }
        return File.ReadAllBytes(path);
    }
}
