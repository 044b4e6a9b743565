using Microsoft.AspNetCore.Authorization;

namespace Kalypto.Web.Doors;

/// <summary>What somebody must be to use a route.</summary>
/// <param name="Need">What.</param>
internal sealed record NeedRequirement(Need Need) : IAuthorizationRequirement;
