using Kalypto.Core.Designs;
using Kalypto.Core.Packing;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Platforms;

/// <summary>A picture that a platform is asked to make files of.</summary>
/// <param name="Picture">The picture.</param>
/// <param name="Making">How it is made on the platform.</param>
/// <param name="Crop">Its crop there, in pt.</param>
/// <param name="Name">Its name there.</param>
/// <param name="Layout">How plain folders are laid out.</param>
public sealed record PictureAsk(Picture Picture, Making Making, Box Crop, string Name, FolderLayout Layout)
{
    /// <summary>Which form of another picture it is, or null.</summary>
    public Twin? Twin => Making.Twin;

    /// <summary>The folder with a slash behind it; empty for none.</summary>
    public string Folder => Making.FolderPrefix;
}
