namespace Kalypto.Application.Editing;

/// <summary>Why a wish about recipes cannot be met.</summary>
/// <param name="Reason">The reason.</param>
/// <param name="About">The word that it is about: a kind, a platform, a project, what was typed.</param>
/// <param name="Layers">How many layers stand in the way.</param>
/// <param name="From">The name of the other project; empty where there is none.</param>
public sealed record RecipeRefusal(RecipeRefusal.Why Reason, string About = "", int Layers = 0, string From = "")
{
    /// <summary>The reasons.</summary>
    public enum Why
    {
        /// <summary>There is no such kind.</summary>
        NoSuchKind,
        /// <summary>The tags are not understood; what it is about is the sentence that says so.</summary>
        NotTags,
        /// <summary>A kind, a state and parts are said of layers alone.</summary>
        OfLayersOnly,
        /// <summary>There is no such platform.</summary>
        NoSuchPlatform,
        /// <summary>A credit line is too long or holds signs that no line can.</summary>
        CreditLine,
        /// <summary>What was typed is no weight.</summary>
        NoWeight,
        /// <summary>The suffix is none.</summary>
        NoSuffix,
        /// <summary>The names cannot stand in code; what it is about is the sentence that says why.</summary>
        NoNamesForCode,
        /// <summary>There is a kind of that name.</summary>
        KindExists,
        /// <summary>A kind cannot be called so.</summary>
        KindName,
        /// <summary>Layers are of the kind.</summary>
        KindIsUsed,
        /// <summary>The file cannot be read; what it is about is the sentence that says why.</summary>
        NotRecipes,
        /// <summary>The other project is not there.</summary>
        NoSuchProject,
        /// <summary>The other project knows no such kind.</summary>
        NotThere,
        /// <summary>The new recipes know a kind no longer that layers are of.</summary>
        KindWouldGo,
        /// <summary>There is no such wish.</summary>
        NoSuchWish,
    }
}
