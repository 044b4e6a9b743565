namespace Kalypto.Core.Reading.Normalising;

/// <summary>All normalisations, in the order in which they run on each element.</summary>
internal static class Normalisations
{
    public static INormalisation[] All(CustomProperties properties) =>
    [
        new Switches(),
        properties,
        new ModernColours(),
        new DropShadows(),
        new EmbeddedPictures(),
        new UnsupportedFeatures(),
    ];
}
