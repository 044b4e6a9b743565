using Kalypto.Drawing.Native;

namespace Kalypto.Drawing.Workers;

/// <summary>The fonts that a worker draws with: always those that come with Kalypto, and those of a project while something of that is drawn.</summary>
internal sealed class WorkerFonts(string folder)
{
    private string held = "none yet";

    /// <summary>Draws with some fonts more from now on, and with no others more.</summary>
    public void Use(IReadOnlyList<FontOnDisk> more)
    {
        var wanted = string.Join('\n', more.Select(f => $"{f.Path} {string.Join(',', f.Names)}"));
        if (wanted != held)
        {
            // Whatever fails here, the next one does not draw with the fonts of this.
            held = "unknown";
            Fontconfig.Use(folder, more);
            held = wanted;
        }
    }
}
