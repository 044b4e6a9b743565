using Kalypto.Store;

namespace Kalypto.Application.BringingIn;

/// <summary>Where files are brought in: a project, or one that is made when the first of them could be read.</summary>
/// <param name="actor">Who brings them.</param>
/// <param name="project">The project; null to make one.</param>
public sealed class Target(Actor actor, int? project = null)
{
    /// <summary>The project; null while there is none.</summary>
    public int? Project { get; private set; } = project;

    /// <summary>The design that a file is to be the next draft of; null to find it by name.</summary>
    public int? Design { get; init; }

    /// <summary>Designs that came or got a draft with the same drop: none of them gets another one by it.</summary>
    public HashSet<int> Touched { get; init; } = [];

    /// <summary>Who brings them.</summary>
    public Actor Actor => actor;

    internal async Task<int> ProjectAsync(Func<Task<int>> make) => Project ??= await make();
}
