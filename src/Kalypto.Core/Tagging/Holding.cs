using System.Collections.Immutable;

namespace Kalypto.Core.Tagging;

/// <summary>Everything that is said of how a layer is made, nearest first, and thereby whence each value comes.</summary>
/// <param name="Said">What is said, with who says it.</param>
public sealed record Holding(ImmutableArray<(Origin Origin, Tags Tags)> Said)
{
    /// <summary>Where the formats come from: who gives the list, and the layer when it adds or takes away.</summary>
    public Origin Formats => Of(t => t.Formats.Count > 0);

    /// <summary>Where the sizes come from.</summary>
    public Origin Sizes => Of(t => t.SaysSizes);

    /// <summary>Where the crop comes from.</summary>
    public Origin Crop => Of(t => t.Crop is not null);

    /// <summary>Where the bleed comes from.</summary>
    public Origin Bleed => Of(t => t.Bleed is not null);

    /// <summary>Where the folder comes from; <see cref="Origin.Usual"/> for the groups that the layer lies in.</summary>
    public Origin Folder => Of(t => t.Folder is not null);

    /// <summary>Where the word behind the name comes from.</summary>
    public Origin Suffix => Of(t => t.Suffix is not null);

    /// <summary>Where the word before the name comes from.</summary>
    public Origin Prefix => Of(t => t.Prefix is not null);

    /// <summary>Where it is said whether it takes the colour around it.</summary>
    public Origin Tint => Of(t => t.Tint is not null);

    /// <summary>Where it is said how it stretches.</summary>
    public Origin Stretch => Of(t => t.Stretch is not null);

    /// <summary>Where it is said whether it is turned round.</summary>
    public Origin Mirror => Of(t => t.Mirror is not null);

    /// <summary>Where it is said whether colours beyond sRGB are kept.</summary>
    public Origin P3 => Of(t => t.P3 is not null);

    /// <summary>Where that comes from which is read aloud.</summary>
    public Origin Alt => Of(t => t.Alt is not null);

    /// <summary>Where the ground comes from.</summary>
    public Origin Ground => Of(t => t.Ground is not null);

    /// <summary>Where it is said whether the credit is written.</summary>
    public Origin Credit => Of(t => t.Credit is not null);

    private Origin Of(Func<Tags, bool> says) => Said.Where(s => says(s.Tags)).Select(s => s.Origin).FirstOrDefault(Origin.Usual);
}
