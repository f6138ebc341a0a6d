using Dekoro.Core.Responsive;

namespace Dekoro.Server.Contracts;

/// <param name="Mend">What makes its words readable everywhere; null where they are, or nothing does.</param>
public sealed record BackdropResponse(PerClass<BackdropOnClassResponse> On, BackdropRemedyResponse? Mend);
