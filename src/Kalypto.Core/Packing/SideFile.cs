using System.Text;

namespace Kalypto.Core.Packing;

/// <summary>A text file that goes with the pictures of a platform; written when somebody wants its content.</summary>
/// <param name="Platform">The id of its platform; empty for the pack as a whole.</param>
/// <param name="Path">Where it goes in the pack, with slashes.</param>
/// <param name="Write">Writes its content. Equal packs give equal texts.</param>
public sealed record SideFile(string Platform, string Path, Func<string> Write)
{
    /// <summary>Its content.</summary>
    public string Text => Write();

    /// <summary>Its content as it stands in the file, UTF-8 without a mark.</summary>
    public byte[] Bytes() => Encoding.UTF8.GetBytes(Write());
}
