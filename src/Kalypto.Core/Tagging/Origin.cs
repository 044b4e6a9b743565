namespace Kalypto.Core.Tagging;

/// <summary>Where a value that holds for a layer comes from, nearest first.</summary>
public enum Origin
{
    /// <summary>Said of the layer on the tag line.</summary>
    Tag,
    /// <summary>Said of the group that ships in parts.</summary>
    Group,
    /// <summary>Written in the drawing behind the layer's name.</summary>
    Drawing,
    /// <summary>The recipe of its kind for the platform.</summary>
    PlatformRecipe,
    /// <summary>The recipe of its kind.</summary>
    KindRecipe,
    /// <summary>What the project says of every kind.</summary>
    Project,
    /// <summary>What Kalypto does when nobody says anything.</summary>
    Usual,
}
